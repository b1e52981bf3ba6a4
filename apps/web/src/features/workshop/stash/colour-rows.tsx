import type { FieldError, UseFormRegister } from 'react-hook-form';
import { TextRow } from '../../../ui/fields/text-row';

interface Coloured {
  readonly colour: { readonly name: string; readonly hex: string };
}

interface Props<T extends Coloured> {
  readonly register: UseFormRegister<T>;
  readonly errors: { readonly name?: FieldError; readonly hex?: FieldError } | undefined;
}

/** A colour as it is called and as it looks. */
export function ColourRows<T extends Coloured>({ register, errors }: Props<T>) {
  const of = register as unknown as UseFormRegister<Coloured>;
  return (
    <>
      <TextRow
        label="Colour, in words"
        error={errors?.name && 'Say its colour.'}
        {...of('colour.name')}
      />
      <TextRow label="Colour" type="color" p="1" cursor="pointer" {...of('colour.hex')} />
    </>
  );
}
