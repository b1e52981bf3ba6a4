import { Field, Flex, Input } from '@chakra-ui/react';
import { EntryDialog } from './entry-dialog';
import { CordDto } from '@coiled-strand/contract';
import { CORD_KIND_FACTS, CORD_KINDS, type Cord, type CordKind } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { Controller, useForm } from 'react-hook-form';
import { useAddCord } from '../api/queries';
import { useCurrency } from '../settings/use-currency';
import { LengthField } from '../fields/length-field';
import { SelectField } from '../fields/select-field';

interface Props {
  readonly start: Cord;
  readonly onClose: () => void;
  readonly onDone: (cord: Cord) => void;
}

/** An empty field is no price, not nought. */
const priceFrom = (text: string | number | null | undefined): number | undefined => {
  const clean = String(text ?? '').trim();
  return clean === '' ? undefined : Number(clean.replace(',', '.'));
};

/** A cord that is not on the list yet: kind, diameter, colour. Kept on the list from then on. */
export function OwnCordDialog({ start, onClose, onDone }: Props) {
  const add = useAddCord();
  const currency = useCurrency();
  const { control, register, handleSubmit, formState } = useForm<CordDto>({
    resolver: classValidatorResolver(CordDto),
    defaultValues: { ...start, name: '', colour: { ...start.colour } },
  });
  const { errors } = formState;
  const submit = handleSubmit(async (cord) => {
    const { name, kind, diameter, colour, price } = cord;
    const { value } = await add.mutateAsync({
      name,
      kind,
      diameter,
      colour,
      ...(price === undefined ? {} : { price }),
    });
    onDone(value);
  });
  return (
    <EntryDialog
      title="A cord of your own"
      action="Use this cord"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <Field.Root invalid={errors.name !== undefined} gridColumn="1 / -1">
        <Field.Label>Name</Field.Label>
        <Input {...register('name')} placeholder="as you would look for it in the drawer" />
        {errors.name && <Field.ErrorText>Give it a name.</Field.ErrorText>}
      </Field.Root>
      <Controller
        control={control}
        name="kind"
        render={({ field }) => (
          <SelectField
            label="Kind"
            value={field.value}
            options={CORD_KINDS.map((kind: CordKind) => ({
              value: kind,
              label: CORD_KIND_FACTS[kind].label,
            }))}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="diameter"
        render={({ field }) => (
          <LengthField
            label="Diameter"
            value={field.value}
            unit="mm"
            decimals={2}
            nudge={0.1}
            onChange={field.onChange}
            error={errors.diameter?.message}
          />
        )}
      />
      <Field.Root invalid={errors.colour?.name !== undefined}>
        <Field.Label>Colour, in words</Field.Label>
        <Input {...register('colour.name')} />
      </Field.Root>
      <Field.Root invalid={errors.colour?.hex !== undefined}>
        <Field.Label>Colour</Field.Label>
        <Flex w="full">
          <Input type="color" {...register('colour.hex')} p="1" cursor="pointer" />
        </Flex>
      </Field.Root>
      <Field.Root invalid={errors.price !== undefined}>
        <Field.Label>Price of a metre in {currency} (may be left out)</Field.Label>
        <Input inputMode="decimal" {...register('price', { setValueAs: priceFrom })} />
        {errors.price && <Field.ErrorText>A price, as a number.</Field.ErrorText>}
      </Field.Root>
    </EntryDialog>
  );
}
