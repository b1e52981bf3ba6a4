import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { KnotView, SwatchDto } from '@coiled-strand/contract';
import {
  EXAMPLE_CORD,
  MIN_SWATCH,
  observeSwatch,
  partKind,
  pluralOf,
  swatchTechniques,
  TENSIONS,
  type Cord,
  type PartBase,
  type Tension,
} from '@coiled-strand/core';
import { useState } from 'react';
import { useKnots } from '../../../data/api/knot-queries';
import { useAddSwatch, useCords } from '../../../data/api/queries';
import { CountField } from '../../../ui/fields/count-field';
import { LengthField } from '../../../ui/fields/length-field';
import { SelectField } from '../../../ui/fields/select-field';
import { useUnits } from '../../../ui/settings/use-units';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { nameOf, overModel } from './words';

/** What a swatch is tied as: the choices its technique offers. */
function choicesOf(technique: string, key: string): readonly { value: string; label: string }[] {
  const field = partKind(technique).fields.find((one) => one.key === key);
  return field?.type === 'choice'
    ? field.choices.map(({ id, label }) => ({ value: id, label }))
    : [];
}

/** What can be measured: a technique, or a knot that was drawn in the workshop. */
interface Measurable {
  readonly value: string;
  readonly label: string;
  readonly technique: string;
  readonly knot?: SwatchDto['knot'];
}

const measurable = (knots: readonly KnotView[]): Measurable[] =>
  swatchTechniques.flatMap(({ entry }): Measurable[] =>
    entry.needsKnot
      ? knots.map(({ id, version, value }) => ({
          value: id,
          label: value.name,
          technique: entry.id,
          knot: { ...value, id: 'swatch', origin: id, version },
        }))
      : [{ value: entry.id, label: entry.label, technique: entry.id }],
  );

const partOf = (
  { technique, knot }: Measurable,
  cord: Cord,
  form: string,
  tension: Tension,
): PartBase =>
  Object.assign(
    partKind(technique).make({
      id: 'swatch',
      bead: '',
      cord,
      runs: 4,
      ...(knot ? { knot: knot.id } : {}),
    }),
    { tension },
    form ? { form } : {},
  );

interface Props {
  /** Of which technique, to begin with; the first that can be measured when left out. */
  readonly technique?: string;
  /** In which of the workshop’s cords, by its id. */
  readonly cord?: string;
  readonly onClose: () => void;
}

/** A few units tied and measured: a factor of this hand in five minutes. */
export function SwatchDialog({ technique: start = '', cord: startCord = '', onClose }: Props) {
  const units = useUnits();
  const { data: cords = [] } = useCords();
  const add = useAddSwatch();
  const { data: knots = [] } = useKnots();
  const all = measurable(knots);
  const [chosen, setChosen] = useState(start);
  const what = all.find(({ value }) => value === chosen) ?? all[0]!;
  const { technique, knot } = what;
  const [form, setForm] = useState('');
  const [tension, setTension] = useState<Tension>('even');
  const [cordId, setCordId] = useState(startCord);
  const [count, setCount] = useState(20);
  const [length, setLength] = useState<number | null>(null);
  const [before, setBefore] = useState<number | null>(null);
  const [after, setAfter] = useState<number | null>(null);
  const cord = (cords.find(({ id }) => id === cordId) ?? cords[0])?.value ?? EXAMPLE_CORD;
  const forms = choicesOf(technique, 'form');
  const tensions = choicesOf(technique, 'tension').filter(({ value }) =>
    (TENSIONS as readonly string[]).includes(value),
  );
  const chosenForm = forms.some(({ value }) => value === form) ? form : (forms[0]?.value ?? '');
  const chosenTension = tensions.some(({ value }) => value === tension)
    ? tension
    : ((tensions[0]?.value ?? 'even') as Tension);
  const part = partOf(what, cord, chosenForm, chosenTension);
  const model = partKind(technique).swatch!(part, cord, knot);
  const swatch =
    length !== null && before !== null && after !== null
      ? { part, cord, ...(knot ? { knot } : {}), units: count, length, before, after }
      : null;
  const wrong =
    before !== null && after !== null && after >= before
      ? 'After tying there must be less cord than before.'
      : undefined;
  const found = swatch && !wrong ? observeSwatch(swatch) : [];
  const keep = (): void => {
    if (!swatch || wrong) return;
    const dto: SwatchDto = {
      technique,
      ...(knot ? { knot } : {}),
      ...(chosenForm ? { form: chosenForm } : {}),
      tension: chosenTension,
      cord,
      units: count,
      length: swatch.length,
      before: swatch.before,
      after: swatch.after,
    };
    add.mutate(dto, { onSuccess: onClose });
  };
  const name = pluralOf(model.unitName);
  return (
    <Modal
      open
      onClose={onClose}
      size="wide"
      title="A swatch"
      description={`${model.how} Measure the length of the ${name} too.`}
    >
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
        <SelectField label="Technique" value={what.value} options={all} onChange={setChosen} />
        <SelectField
          label="Cord"
          value={cordId || (cords[0]?.id ?? '')}
          options={cords.map(({ id, value }) => ({
            value: id,
            label: value.name,
          }))}
          onChange={setCordId}
        />
        {forms.length > 0 && (
          <SelectField label="Form" value={chosenForm} options={forms} onChange={setForm} />
        )}
        {tensions.length > 0 && (
          <SelectField
            label="Tension"
            value={chosenTension}
            options={tensions}
            onChange={(value) => setTension(value as Tension)}
          />
        )}
        <CountField
          label={`How many ${name}`}
          value={count}
          min={MIN_SWATCH}
          max={1000}
          onChange={setCount}
        />
        <LengthField
          label={`Length of the ${name}`}
          value={length}
          unit={units.unit}
          placeholder={`about ${units.size(count * model.lengthPerUnit)}`}
          onChange={setLength}
        />
        <LengthField
          label="Cord before"
          value={before}
          unit={units.cordUnit}
          placeholder={`at least ${units.cord(count * model.cordPerUnit * 1.4)}`}
          onChange={setBefore}
        />
        <LengthField
          label="Cord after"
          value={after}
          unit={units.cordUnit}
          onChange={setAfter}
          error={wrong}
        />
      </Grid>
      <Box minH="4.5em" mt="4" aria-live="polite">
        {found.map((one) => (
          <Text key={one.measure}>
            {nameOf(one).measure}: <b>{overModel(one.ratio)}</b>
          </Text>
        ))}
      </Box>
      <Flex gap="3" justify="flex-end" align="center" flexWrap="wrap">
        {add.isError && (
          <Text color="danger" role="alert" flex="1">
            {add.error.message}
          </Text>
        )}
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="solid" disabled={found.length === 0 || add.isPending} onClick={keep}>
          Keep the swatch
        </Button>
      </Flex>
    </Modal>
  );
}
