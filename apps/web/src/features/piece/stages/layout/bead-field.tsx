import type { Bead } from '@coiled-strand/core';
import { SelectField } from '../../../../ui/fields/select-field';
import { useBeadChoices } from './use-bead-choices';

interface Props {
  readonly label: string;
  /** Id of the bead within the piece. */
  readonly id: string | null;
  readonly onChange: (bead: Bead) => void;
  /** Given where none may be chosen. */
  readonly onNone?: () => void;
}

const NONE = '-';

/** One bead: of those in the piece, or from the stash. */
export function BeadField({ label, id, onChange, onNone }: Props) {
  const choices = useBeadChoices();
  const known = choices.some((choice) => choice.id === id);
  return (
    <SelectField
      label={label}
      value={id ?? NONE}
      options={[
        ...(onNone ? [{ value: NONE, label: 'None' }] : []),
        ...(known || id === null ? [] : [{ value: id, label: `“${id}” is not among the beads` }]),
        ...choices.map(({ key, bead }) => ({ value: key, label: bead.name })),
      ]}
      onChange={(key) => {
        if (key === NONE) onNone?.();
        const choice = choices.find((c) => c.key === key);
        if (choice) onChange(choice.bead);
      }}
    />
  );
}
