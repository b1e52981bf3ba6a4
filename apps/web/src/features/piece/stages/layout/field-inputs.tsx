import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { Bead, Cord, Field, Run } from '@coiled-strand/core';
import type { KnotView } from '@coiled-strand/contract';
import type { ReactNode } from 'react';
import { Choices } from '../../../../ui/fields/choices';
import { ColourField } from '../../../../ui/fields/colour-field';
import { CountField } from '../../../../ui/fields/count-field';
import { LengthField } from '../../../../ui/fields/length-field';
import { TextField } from '../../../../ui/fields/text-field';
import { TickField } from '../../../../ui/fields/tick-field';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { KnotField } from './knot-field';
import { BeadField } from './bead-field';
import { BeadRow } from './bead-row';
import { CordPicker } from '../../../workshop/stash/cord-picker';
import { nameOfRun } from './run-name';

interface Props {
  readonly fields: readonly Field[];
  readonly values: Readonly<Record<string, unknown>>;
  /** What an open length or count comes to now, by its key. */
  readonly now?: Readonly<Record<string, number>>;
  /** Runs to choose from; needed for fields of runs. */
  readonly runs?: readonly Run[];
  readonly onChange: (key: string, value: unknown) => void;
  readonly onBead?: (key: string, bead: Bead) => void;
  readonly onKnot?: (key: string, knot: KnotView) => void;
  readonly onAppendBead?: (bead: Bead) => void;
}

/** The form of a part or a closure, from its own description of what it asks for. */
export function FieldInputs({ fields, values, ...rest }: Props) {
  const shown = fields.filter((field) => !isDrawn(field) && (field.when?.(values) ?? true));
  const wide = (field: Field): boolean =>
    ['choice', 'beads', 'runs', 'cord', 'bead', 'knot'].includes(field.type);
  return (
    <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(3, 1fr)' }} gap="4" alignItems="start">
      {shown.map((field) => (
        <Box key={field.key} gridColumn={wide(field) ? '1 / -1' : undefined} minW="0">
          <FieldInput field={field} value={values[field.key]} {...rest} />
        </Box>
      ))}
    </Grid>
  );
}

/** What is edited on a drawing of its own. */
const isDrawn = (field: Field): boolean =>
  field.drawn === true || field.type === 'weave' || field.type === 'places';

type InputProps = Omit<Props, 'fields' | 'values'> & {
  readonly field: Field;
  readonly value: unknown;
};

function FieldInput(props: InputProps): ReactNode {
  const { field, value, onChange, now } = props;
  const units = useUnits();
  const { key, label } = field;
  const put = (next: unknown): void => onChange(key, next);
  switch (field.type) {
    case 'length':
      return (
        <Open open={field.open} isOpen={(value ?? null) === null} onOpen={() => put(null)}>
          <LengthField
            label={label}
            value={(value as number | null) ?? now?.[key] ?? null}
            unit={field.small ? 'mm' : units.unit}
            {...(field.small ? { nudge: 0.5 } : {})}
            onChange={(mm) => put(Math.min(field.max, Math.max(field.min, mm)))}
          />
        </Open>
      );
    case 'count':
      return (
        <Open open={field.open} isOpen={value === null} onOpen={() => put(null)}>
          <CountField
            label={label}
            value={(value as number | null) ?? now?.[key] ?? null}
            min={field.min}
            max={field.max}
            onChange={put}
          />
        </Open>
      );
    case 'choice':
      return (
        <Choices
          label={label}
          value={(value as string | undefined) ?? field.choices[0]?.id ?? ''}
          onChange={put}
          minWidth="130px"
          choices={field.choices.map((choice) => ({
            value: choice.id,
            label: choice.label,
            ...(choice.blurb ? { detail: choice.blurb } : {}),
          }))}
        />
      );
    case 'text':
      return <TextField label={label} required value={value as string} onChange={put} />;
    case 'colour':
      return <ColourField label={label} value={value as string} onChange={put} />;
    case 'knot':
      return (
        <KnotField
          label={label}
          id={value as string}
          onChange={(knot) => props.onKnot?.(key, knot)}
        />
      );
    case 'bead':
      return (
        <BeadField
          label={label}
          id={(value as string | undefined) ?? null}
          {...(field.optional ? { onNone: () => put(undefined) } : {})}
          onChange={(bead) => props.onBead?.(key, bead)}
        />
      );
    case 'beads':
      return (
        <BeadRow
          label={label}
          row={value as readonly string[]}
          onChange={put}
          onAppend={(bead) => props.onAppendBead?.(bead)}
        />
      );
    case 'cord':
      return <CordPicker role={label} cord={value as Cord} onChange={put} />;
    case 'weave':
    case 'places':
      return null;
    case 'runs':
      return (
        <RunsInput
          label={label}
          value={value as readonly number[] | null}
          runs={props.runs ?? []}
          onChange={put}
        />
      );
  }
}

interface OpenProps {
  readonly open: string | undefined;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
  readonly children: ReactNode;
}

/** A value that may be left to something else: by which it then says that it is set. */
function Open({ open, isOpen, onOpen, children }: OpenProps) {
  if (open === undefined) return children;
  return (
    <Box>
      {children}
      {isOpen ? (
        <Text fontSize="sm" color="muted" mt="1">
          {open}
        </Text>
      ) : (
        <Button variant="text" fontSize="sm" onClick={onOpen}>
          {`Let it be ${open}`}
        </Button>
      )}
    </Box>
  );
}

interface RunsProps {
  readonly label: string;
  readonly value: readonly number[] | null;
  readonly runs: readonly Run[];
  readonly onChange: (runs: readonly number[] | null) => void;
}

/** Which cords take part; all of them is a choice of its own, and follows when cords are added. */
function RunsInput({ label, value, runs, onChange }: RunsProps) {
  const toggle = (index: number, on: boolean): void => {
    const old = value ?? runs.map((run) => run.index);
    const next = on ? [...old, index].sort((a, b) => a - b) : old.filter((n) => n !== index);
    if (next.length > 0) onChange(next.length === runs.length ? null : next);
  };
  return (
    <Box role="group" aria-label={label}>
      <Text fontSize="sm" color="muted" mb="1">
        {label}
      </Text>
      <Flex gap="5" flexWrap="wrap">
        {runs.map((run) => (
          <TickField
            key={run.index}
            label={nameOfRun(run)}
            checked={value === null || value.includes(run.index)}
            onChange={(on) => toggle(run.index, on)}
          />
        ))}
      </Flex>
    </Box>
  );
}
