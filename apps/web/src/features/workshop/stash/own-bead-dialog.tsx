import { BeadDto } from '@coiled-strand/contract';
import { BEAD_SHAPES } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { useAddBead } from '../../../data/api/queries';
import { LengthField } from '../../../ui/fields/length-field';
import { SelectField } from '../../../ui/fields/select-field';
import { numberFrom } from '../../../ui/fields/number-from';
import { TextRow } from '../../../ui/fields/text-row';
import { ColourRows } from './colour-rows';
import { EntryDialog } from './entry-dialog';

interface Measure {
  readonly key: 'length' | 'height' | 'hole' | 'holeLong';
  readonly label: string;
}
const MEASURES: readonly Measure[] = [
  { key: 'length', label: 'Along the cord' },
  { key: 'height', label: 'Across' },
  { key: 'hole', label: 'Hole' },
];
/** A ring lies over the cords: its wire is what it takes of them, and an oval one has two insides. */
const RING_MEASURES: readonly Measure[] = [
  { key: 'length', label: 'Wire' },
  { key: 'height', label: 'Across, outside' },
  { key: 'hole', label: 'Inside' },
  { key: 'holeLong', label: 'Inside at its longest' },
];

/** What the sizes begin with, in mm, until one of them is told. */
const USUAL = {
  bead: { length: 6, height: 6, hole: 1.2 },
  ring: { length: 1, height: 5.2, hole: 3.2 },
} as const;

/** A bead that is not in the tray yet, by its measures. Kept in the tray from then on. */
export function OwnBeadDialog({ onClose }: { readonly onClose: () => void }) {
  const add = useAddBead();
  const { control, register, handleSubmit, setValue, formState } = useForm<BeadDto>({
    resolver: classValidatorResolver(BeadDto),
    defaultValues: {
      name: '',
      shape: 'round',
      ...USUAL.bead,
      colour: { name: '', hex: '#7a8b99' },
    },
  });
  const { errors, dirtyFields } = formState;
  const [shape, hole, holeLong] = useWatch({ control, name: ['shape', 'hole', 'holeLong'] });
  const ring = shape === 'ring';
  const toShape = (next: string): void => {
    if (MEASURES.some(({ key }) => dirtyFields[key])) return;
    const usual = next === 'ring' ? USUAL.ring : USUAL.bead;
    for (const key of ['length', 'height', 'hole'] as const) setValue(key, usual[key]);
  };
  const submit = handleSubmit(async (bead) => {
    const { count, delicate, holeLong: long, ...rest } = bead;
    await add.mutateAsync({
      ...rest,
      ...(delicate ? { delicate } : {}),
      ...(bead.shape === 'ring' && long !== undefined && long > bead.hole
        ? { holeLong: long }
        : {}),
      ...(count !== undefined && Number.isFinite(count) ? { count } : {}),
    });
    onClose();
  });
  return (
    <EntryDialog
      title="A bead of your own"
      action="Add to the tray"
      saving={add}
      name={register('name')}
      nameHint="as it is written on the bag"
      nameless={errors.name !== undefined}
      onSubmit={submit}
      onClose={onClose}
    >
      {(ring ? RING_MEASURES : MEASURES).map(({ key, label }) => (
        <Controller
          key={key}
          control={control}
          name={key}
          render={({ field }) => (
            <LengthField
              label={label}
              value={key === 'holeLong' ? Math.max(hole, holeLong ?? 0) : (field.value ?? 0)}
              unit="mm"
              decimals={2}
              nudge={0.5}
              onChange={field.onChange}
              error={errors[key]?.message}
            />
          )}
        />
      ))}
      <Controller
        control={control}
        name="shape"
        render={({ field }) => (
          <SelectField
            label="Shape"
            value={field.value}
            options={BEAD_SHAPES.map((shape) => ({
              value: shape,
              label: shape[0]!.toUpperCase() + shape.slice(1),
            }))}
            onChange={(next) => {
              field.onChange(next);
              toShape(next);
            }}
          />
        )}
      />
      <Controller
        control={control}
        name="delicate"
        render={({ field }) => (
          <SelectField
            label="Beside a flame"
            value={field.value ? 'harmed' : 'safe'}
            options={[
              { value: 'safe', label: 'Metal, glass, stone: no harm' },
              { value: 'harmed', label: 'Pearl, shell, amber, wood, plastic: harmed' },
            ]}
            onChange={(value) => field.onChange(value === 'harmed' ? true : undefined)}
          />
        )}
      />
      <ColourRows register={register} errors={errors.colour} />
      <TextRow
        label="Pieces in hand"
        inputMode="numeric"
        placeholder="if it matters"
        error={errors.count && 'A whole number, please.'}
        {...register('count', { setValueAs: numberFrom })}
      />
    </EntryDialog>
  );
}
