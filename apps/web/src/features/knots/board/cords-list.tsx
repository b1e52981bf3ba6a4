import { Box, Flex, Text } from '@chakra-ui/react';
import { asCore, BOARD_LIMITS, withoutCord, type Board, type BoardBead } from '@coiled-strand/core';
import { Circle, Trash2 } from 'lucide-react';
import { Range } from '../../../ui/fields/range';
import { TickField } from '../../../ui/fields/tick-field';
import { Button } from '../../../ui/shell/button';
import { ToolButton } from '../../../ui/shell/tool-button';
import { colourOf, nameOfCord } from './colours';

interface Props {
  readonly board: Board;
  readonly onEdit: (next: Board, mergeKey?: string) => void;
}

/** A bead as it is first put on a cord, in cord diameters. */
const BEAD = 3;

/** The cords of a board in words, and what can be done with each. */
export function CordsList({ board, onEdit }: Props) {
  const { cords, cores = [], beads = [] } = board;
  const setBead = (index: number, bead: BoardBead | null, mergeKey?: string): void =>
    onEdit(
      {
        ...board,
        beads: bead
          ? [...beads.slice(0, index), bead, ...beads.slice(index + 1)]
          : beads.filter((_, i) => i !== index),
      },
      mergeKey,
    );
  return (
    <Box as="ul" listStyleType="none" p="0" m="0" aria-label="Cords on the board">
      {cords.map((cord, i) => {
        const core = cores.includes(i);
        const name = nameOfCord(i, cores);
        return (
          <Box as="li" key={i} py="2" borderBottom="1px solid {colors.line}" data-testid="cord">
            <Flex align="center" gap="3" flexWrap="wrap">
              <Box w="26px" h="8px" borderRadius="round" bg={colourOf(i)} aria-hidden />
              <Text flex="1" minW="70px" fontWeight="600">
                {name[0]!.toUpperCase() + name.slice(1)}
              </Text>
              <TickField
                label="Core"
                checked={core}
                onChange={(on) => onEdit(asCore(board, i, on))}
              />
              {!core && (
                <Button
                  variant="bare"
                  aria-label={`Put a bead on ${name}`}
                  disabled={beads.length >= BOARD_LIMITS.beads}
                  onClick={() =>
                    setBead(beads.length, { cord: i, along: (cord.length - 1) / 2, size: BEAD })
                  }
                >
                  <Circle size={16} /> Bead
                </Button>
              )}
              <ToolButton label={`Take ${name} away`} onClick={() => onEdit(withoutCord(board, i))}>
                <Trash2 size={17} />
              </ToolButton>
            </Flex>
            {beads.map((bead, n) =>
              bead.cord !== i ? null : (
                <Flex key={n} gap="4" mt="2" align="end" data-testid="bead-on-cord">
                  <Box as="label" flex="2" fontSize="sm" color="muted">
                    Where the bead lies on it
                    <Range
                      type="range"
                      min={0}
                      max={cord.length - 1}
                      step={0.1}
                      value={bead.along}
                      onChange={(event) =>
                        setBead(n, { ...bead, along: Number(event.target.value) }, `bead-${n}`)
                      }
                    />
                  </Box>
                  <Box as="label" flex="1" fontSize="sm" color="muted">
                    {bead.size.toFixed(1)} cords thick
                    <Range
                      type="range"
                      min={BOARD_LIMITS.bead[0]}
                      max={8}
                      step={0.1}
                      value={bead.size}
                      onChange={(event) =>
                        setBead(n, { ...bead, size: Number(event.target.value) }, `size-${n}`)
                      }
                    />
                  </Box>
                  <ToolButton label="Take the bead off" onClick={() => setBead(n, null)}>
                    <Trash2 size={17} />
                  </ToolButton>
                </Flex>
              ),
            )}
          </Box>
        );
      })}
    </Box>
  );
}
