import { BeadDto } from '@coiled-strand/contract';
import { BEAD_SHAPES } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { Controller, useForm } from 'react-hook-form';
import { useAddBead } from '../api/queries';
import { LengthField } from '../fields/length-field';
import { SelectField } from '../fields/select-field';
import { numberFrom } from '../fields/number-from';
import { TextRow } from '../fields/text-row';
import { ColourRows } from './colour-rows';
import { EntryDialog } from './entry-dialog';

const MEASURES = [
  { key: 'length', label: 'Along the cord' },
  { key: 'height', label: 'Across' },
  { key: 'hole', label: 'Hole' },
] as const;

/** A bead that is not in the tray yet, by its measures. Kept in the tray from then on. */
export function OwnBeadDialog({ onClose }: { readonly onClose: () => void }) {
  const add = useAddBead();
  const { control, register, handleSubmit, formState } = useForm<BeadDto>({
    resolver: classValidatorResolver(BeadDto),
    defaultValues: {
      name: '',
      shape: 'round',
      length: 6,
      height: 6,
      hole: 1.2,
      colour: { name: '', hex: '#7a8b99' },
    },
  });
  const { errors } = formState;
  const submit = handleSubmit(async (bead) => {
    const { count, delicate, ...rest } = bead;
    await add.mutateAsync({
      ...rest,
      ...(delicate ? { delicate } : {}),
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
      {MEASURES.map(({ key, label }) => (
        <Controller
          key={key}
          control={control}
          name={key}
          render={({ field }) => (
            <LengthField
              label={label}
              value={field.value}
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
            onChange={field.onChange}
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
