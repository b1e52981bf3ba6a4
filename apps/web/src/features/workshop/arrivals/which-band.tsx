import type { FlossPart } from '@coiled-strand/core';
import { SelectField } from '../../../ui/fields/select-field';

interface Props {
  readonly bands: readonly FlossPart[];
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

/** Which of the bands of a piece is meant; nothing is asked where there is one. */
export const WhichBand = ({ bands, chosen, onChoose }: Props) =>
  bands.length < 2 ? null : (
    <SelectField
      label="Which band"
      value={chosen}
      options={bands.map(({ id }, i) => ({ value: id, label: `Band ${i + 1} from the start` }))}
      onChange={onChoose}
    />
  );
