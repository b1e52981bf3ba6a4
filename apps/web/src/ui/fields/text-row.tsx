import { Field, Input, type InputProps } from '@chakra-ui/react';
import type { ReactNode, Ref } from 'react';

interface Props extends InputProps {
  readonly label: ReactNode;
  /** What is wrong with it, and what to do. */
  readonly error?: string | undefined;
  /** Whether it takes the whole width of a form. */
  readonly wide?: boolean;
  readonly ref?: Ref<HTMLInputElement>;
}

/** A line to type into, with its name above and its fault below. */
export const TextRow = ({ label, error, wide, ...input }: Props) => (
  <Field.Root invalid={error !== undefined} gridColumn={wide ? '1 / -1' : undefined}>
    <Field.Label>{label}</Field.Label>
    <Input autoComplete="off" {...input} />
    {error && <Field.ErrorText>{error}</Field.ErrorText>}
  </Field.Root>
);
