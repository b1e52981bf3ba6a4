import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { selectable } from '../shell/selectable';
import { useId, useRef, type KeyboardEvent, type ReactNode } from 'react';

export interface Option<T extends string | number> {
  readonly value: T;
  readonly label: string;
  readonly detail?: string;
  readonly picture?: ReactNode;
}

interface Props<T extends string | number> {
  readonly label: string;
  readonly choices: readonly Option<T>[];
  readonly value: T;
  readonly onChange: (value: T) => void;
  /** Narrowest width of one choice before they wrap. */
  readonly minWidth?: string;
}

/** One of a few, all in sight; arrow keys move within. */
export function Choices<T extends string | number>({
  label,
  choices,
  value,
  onChange,
  minWidth = '120px',
}: Props<T>) {
  const id = useId();
  const group = useRef<HTMLDivElement>(null);
  const press = (event: KeyboardEvent, index: number): void => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = (index + step + choices.length) % choices.length;
    const choice = choices[next];
    if (!choice) return;
    onChange(choice.value);
    (group.current?.querySelectorAll('[role=radio]')[next] as HTMLElement | undefined)?.focus();
  };
  return (
    <Box>
      <Text id={id} fontSize="sm" color="muted" mb="1">
        {label}
      </Text>
      <Flex ref={group} role="radiogroup" aria-labelledby={id} gap="2" flexWrap="wrap">
        {choices.map((choice, index) => {
          const chosen = choice.value === value;
          return (
            <chakra.button
              // In a form it chooses and does not send.
              type="button"
              key={choice.value}
              role="radio"
              aria-checked={chosen}
              tabIndex={chosen || (index === 0 && !choices.some((c) => c.value === value)) ? 0 : -1}
              onClick={() => onChange(choice.value)}
              onKeyDown={(event: KeyboardEvent) => press(event, index)}
              flex="1"
              minW={minWidth}
              textAlign="left"
              display="flex"
              flexDirection="column"
              justifyContent="flex-start"
              px="3"
              py="2"
              {...selectable(chosen)}
              _hover={{ borderColor: chosen ? 'chalk' : 'muted' }}
            >
              {choice.picture}
              <Text as="span" display="block" fontWeight="600" lineHeight="1.3">
                {choice.label}
              </Text>
              {choice.detail && (
                <Text as="span" display="block" fontSize="sm" color="muted" lineHeight="1.3">
                  {choice.detail}
                </Text>
              )}
            </chakra.button>
          );
        })}
      </Flex>
    </Box>
  );
}
