import { Field, Input } from '@chakra-ui/react';
import { BeadDto } from '@coiled-strand/contract';
import { BEAD_SHAPES } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { Controller, useForm } from 'react-hook-form';
import { useAddBead } from '../api/queries';
import { LengthField } from '../fields/length-field';
import { SelectField } from '../fields/select-field';
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
    const { count, ...rest } = bead;
    await add.mutateAsync(Number.isFinite(count) ? bead : rest);
    onClose();
  });
  return (
    <EntryDialog
      title="A bead of your own"
      action="Into the tray"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <Field.Root invalid={errors.name !== undefined} gridColumn="1 / -1">
        <Field.Label>Name</Field.Label>
        <Input {...register('name')} placeholder="as it is written on the bag" />
        {errors.name && <Field.ErrorText>Give it a name.</Field.ErrorText>}
      </Field.Root>
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
      <Field.Root invalid={errors.colour?.name !== undefined}>
        <Field.Label>Colour, in words</Field.Label>
        <Input {...register('colour.name')} />
        {errors.colour?.name && <Field.ErrorText>Say its colour.</Field.ErrorText>}
      </Field.Root>
      <Field.Root>
        <Field.Label>Colour</Field.Label>
        <Input type="color" {...register('colour.hex')} p="1" cursor="pointer" />
      </Field.Root>
      <Field.Root invalid={errors.count !== undefined}>
        <Field.Label>Pieces in hand</Field.Label>
        <Input
          inputMode="numeric"
          placeholder="if it matters"
          {...register('count', {
            setValueAs: (text: unknown) =>
              typeof text === 'string' && text.trim() !== '' ? Number(text) : undefined,
          })}
        />
        {errors.count && <Field.ErrorText>A whole number, please.</Field.ErrorText>}
      </Field.Root>
    </EntryDialog>
  );
}
