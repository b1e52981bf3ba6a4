import { Checkbox } from '@chakra-ui/react';

interface Props {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  /** Where what stands beside it says what it is, to those who see it. */
  readonly hideLabel?: boolean;
}

/** Yes or no. */
export const TickField = ({ label, checked, onChange, hideLabel }: Props) => (
  <Checkbox.Root
    checked={checked}
    onCheckedChange={(details) => onChange(details.checked === true)}
    display="inline-flex"
    alignItems="center"
    gap="2"
    cursor="pointer"
    minH="32px"
  >
    <Checkbox.HiddenInput aria-label={hideLabel ? label : undefined} />
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
    {!hideLabel && <Checkbox.Label>{label}</Checkbox.Label>}
  </Checkbox.Root>
);
