import { Box, chakra } from '@chakra-ui/react';
import { ChevronDown } from 'lucide-react';
import { useId } from 'react';

const NativeSelect = chakra('select', {
  base: {
    appearance: 'none',
    w: 'full',
    minH: '40px',
    pl: '3',
    pr: '9',
    fontFamily: 'body',
    fontSize: 'md',
    color: 'ink',
    bg: 'raised',
    border: '1px solid {colors.line}',
    borderRadius: 'soft',
    _hover: { borderColor: 'muted' },
  },
});

interface Props {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string) => void;
  readonly hideLabel?: boolean;
}

/** The browser's own list, in our clothes: works with every keyboard, reader and phone. */
export function SelectField({ label, value, options, onChange, hideLabel }: Props) {
  const id = useId();
  return (
    <Box minW="0" w="full">
      {!hideLabel && (
        <chakra.label htmlFor={id} display="block" mb="1" fontSize="sm" color="muted">
          {label}
        </chakra.label>
      )}
      <Box position="relative" w="full">
        <NativeSelect
          id={id}
          aria-label={hideLabel ? label : undefined}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </NativeSelect>
        <Box
          as="span"
          position="absolute"
          right="3"
          top="50%"
          transform="translateY(-50%)"
          pointerEvents="none"
          color="muted"
        >
          <ChevronDown size={16} aria-hidden />
        </Box>
      </Box>
    </Box>
  );
}
