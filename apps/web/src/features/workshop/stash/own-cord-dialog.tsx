import { CordDto } from '@coiled-strand/contract';
import { CORD_KIND_FACTS, CORD_KINDS, type Cord, type CordKind } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { Controller, useForm } from 'react-hook-form';
import { useAddCord } from '../../../data/api/queries';
import { useCurrency } from '../../../ui/settings/use-currency';
import { numberFrom } from '../../../ui/fields/number-from';
import { SelectField } from '../../../ui/fields/select-field';
import { TextRow } from '../../../ui/fields/text-row';
import { ColourRows } from './colour-rows';
import { DiameterFields } from './diameter-fields';
import { EntryDialog } from './entry-dialog';

interface Props {
  readonly start: Cord;
  readonly onClose: () => void;
  readonly onDone: (cord: Cord) => void;
}

/** A cord that is not on the list yet: kind, diameter, colour. Kept on the list from then on. */
export function OwnCordDialog({ start, onClose, onDone }: Props) {
  const add = useAddCord();
  const currency = useCurrency();
  const { control, register, handleSubmit, formState, setValue } = useForm<CordDto>({
    resolver: classValidatorResolver(CordDto),
    defaultValues: { ...start, name: '', spread: undefined, colour: { ...start.colour } },
  });
  const { errors } = formState;
  const submit = handleSubmit(async (cord) => {
    const { name, kind, diameter, spread, colour, price } = cord;
    const { value } = await add.mutateAsync({
      name,
      kind,
      diameter,
      colour,
      ...(spread === undefined ? {} : { spread }),
      ...(price === undefined ? {} : { price }),
    });
    onDone(value);
  });
  return (
    <EntryDialog
      title="A cord of your own"
      action="Use this cord"
      saving={add}
      name={register('name')}
      nameHint="as you would look for it in the drawer"
      nameless={errors.name !== undefined}
      onSubmit={submit}
      onClose={onClose}
    >
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
          <DiameterFields
            value={field.value}
            error={errors.diameter?.message}
            onChange={({ mean, spread }) => {
              field.onChange(mean);
              setValue('spread', spread);
            }}
          />
        )}
      />
      <ColourRows register={register} errors={errors.colour} />
      <TextRow
        label={`Price of a metre in ${currency} (optional)`}
        inputMode="decimal"
        error={errors.price && 'A price, as a number.'}
        {...register('price', { setValueAs: numberFrom })}
      />
    </EntryDialog>
  );
}
