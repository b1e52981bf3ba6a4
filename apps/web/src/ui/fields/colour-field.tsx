import { Field, Input } from '@chakra-ui/react';

interface Props {
  readonly label: string;
  /** `#rrggbb` */
  readonly value: string;
  readonly onChange: (hex: string) => void;
}

/** A colour, by the browser's own picker. */
export const ColourField = ({ label, value, onChange }: Props) => (
  <Field.Root>
    <Field.Label>{label}</Field.Label>
    <Input
      type="color"
      value={value}
      p="1"
      cursor="pointer"
      onChange={(event) => onChange(event.target.value)}
    />
  </Field.Root>
);
