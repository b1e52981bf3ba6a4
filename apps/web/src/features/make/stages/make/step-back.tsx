import { Box, Text } from '@chakra-ui/react';
import { callAt, type Step } from '@coiled-strand/core';
import { Undo2 } from 'lucide-react';
import { useState } from 'react';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';

interface Props {
  readonly step: Step;
  /** Units of the step already done. */
  readonly unit: number;
  /** Goes back so that this unit is the next. */
  readonly onBackTo: (unit: number) => void;
}

/** How many units back are shown; what lies further off is undone in two goes. */
const SHOWN = 24;

/** Something was tied wrongly: the last units in words, to go back to the first that is wrong. */
export function StepBack({ step, unit, onBackTo }: Props) {
  const [open, setOpen] = useState(false);
  const { say } = useUnits();
  if (!step.calls || unit === 0) return null;
  const from = Math.max(0, unit - SHOWN);
  const units = Array.from({ length: unit - from }, (_, i) => unit - 1 - i);
  const name = step.unitName ?? 'time';
  return (
    <>
      <Button size="large" onClick={() => setOpen(true)}>
        <Undo2 size={20} /> I tied the wrong one
      </Button>
      <Modal
        open={open}
        onClose={() => setOpen(false)}
        title={`Which ${name} is the first wrong one?`}
        description={`Undo the work back to it; the count goes back with you. The last ${name} is at the top.`}
      >
        <Box as="ol" listStyleType="none" m="0" p="0" maxH="55vh" overflowY="auto">
          {units.map((i) => (
            <Box as="li" key={i}>
              <Button
                variant="bare"
                w="full"
                minH="44px"
                py="2"
                justifyContent="flex-start"
                textAlign="left"
                whiteSpace="normal"
                fontWeight="400"
                onClick={() => {
                  setOpen(false);
                  onBackTo(i);
                }}
              >
                <Text as="span" color="muted" minW="3.2em">
                  {i + 1}
                </Text>
                {say(callAt(step, i) ?? '')}
              </Button>
            </Box>
          ))}
        </Box>
      </Modal>
    </>
  );
}
