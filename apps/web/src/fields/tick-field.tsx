import { Checkbox } from '@chakra-ui/react';

interface Props {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** Yes or no. */
export const TickField = ({ label, checked, onChange }: Props) => (
  <Checkbox.Root
    checked={checked}
    onCheckedChange={(details) => onChange(details.checked === true)}
    display="inline-flex"
    alignItems="center"
    gap="2"
    cursor="pointer"
    minH="32px"
  >
    <Checkbox.HiddenInput />
    <Checkbox.Control
      w="5"
      h="5"
      border="1px solid {colors.muted}"
      borderRadius="4px"
      display="grid"
      placeItems="center"
      bg="raised"
    >
      <Checkbox.Indicator w="4" h="4" />
    </Checkbox.Control>
    <Checkbox.Label>{label}</Checkbox.Label>
  </Checkbox.Root>
);
