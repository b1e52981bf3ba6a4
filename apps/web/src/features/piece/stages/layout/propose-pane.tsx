import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { LayoutWish, Piece, Proposal, RowGap, RowOrder } from '@coiled-strand/core';
import { useState } from 'react';
import { BeadPicture } from '../../bench/bead-picture';
import { MiniPiece } from '../../bench/mini-piece';
import { Choices } from '../../../../ui/fields/choices';
import { CountField } from '../../../../ui/fields/count-field';
import { LengthField } from '../../../../ui/fields/length-field';
import { TickField } from '../../../../ui/fields/tick-field';
import { withBead } from '../../piece/part-edits';
import { usePiece } from '../../piece/piece-store';
import { useStage } from '../../piece/stage-context';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { useBeadChoices, type BeadChoice } from './use-bead-choices';
import { useProposals } from './use-proposals';

const GAPS: readonly { value: RowGap; label: string }[] = [
  { value: 'touching', label: 'Nothing' },
  { value: 'overhand', label: 'Overhand knot' },
  { value: 'double-barrel', label: 'Double barrel' },
  { value: 'half-knots', label: 'Half knots' },
];
const ORDERS: readonly { value: RowOrder; label: string }[] = [
  { value: 'alternating', label: 'Alternating' },
  { value: 'graded', label: 'Graded' },
  { value: 'blocks', label: 'In blocks' },
];
/** Most of one bead when the maker sets no other limit. */
const MAX_OF_A_BEAD = 80;

type Wish = Omit<LayoutWish, 'beads' | 'keep'>;
const FIRST: Wish = {
  symmetric: true,
  order: 'alternating',
  between: 'half-knots',
  knots: [2, 4],
  ends: 15,
};

/** Whether two working cords are there to tie half knots with. */
const canTie = (piece: Piece): boolean =>
  piece.strands.flatMap(({ legs }) => legs).filter((leg) => leg === 'working' || leg === 'turned')
    .length >= 2;

/** Rows of the beads in hand that land on the size aimed at, best first. */
export function ProposePane() {
  const { piece, plan } = useStage();
  const units = useUnits();
  const choices = useBeadChoices();
  const [wish, setWish] = useState<Wish>(() => ({
    ...FIRST,
    between: canTie(piece) ? 'half-knots' : 'touching',
  }));
  const [chosen, setChosen] = useState<readonly string[]>(() => piece.beads.map((b) => b.id));
  const { result, start, stop } = useProposals();
  const set = (more: Partial<Wish>): void => setWish((old) => ({ ...old, ...more }));
  const target = plan.ok
    ? plan.fit.circumference > 0
      ? `${units.size(plan.fit.target)} inside`
      : `${units.size(plan.fit.fitted)} in all`
    : 'the size aimed at';
  const picked = choices.filter(({ key }) => chosen.includes(key));
  return (
    <Grid templateColumns={{ base: '1fr', xl: '1fr 1fr' }} gap="8">
      <Flex direction="column" gap="5">
        <Text>
          Land on <b>{target}</b> with the beads you tick. The row of beads on the bench is
          replaced; what lies beside it stays.
        </Text>
        <BeadTicks choices={choices} chosen={chosen} onChange={setChosen} />
        <Choices
          label="Between the beads"
          value={wish.between}
          minWidth="110px"
          choices={GAPS.filter((gap) => gap.value !== 'half-knots' || canTie(piece))}
          onChange={(between) => set({ between })}
        />
        <Grid templateColumns={{ base: '1fr 1fr', sm: 'repeat(3, 1fr)' }} gap="4">
          {wish.between === 'half-knots' && (
            <>
              <CountField
                label="Fewest half knots"
                value={wish.knots[0]}
                min={1}
                max={40}
                onChange={(n) => set({ knots: [n, Math.max(n, wish.knots[1])] })}
              />
              <CountField
                label="Most half knots"
                value={wish.knots[1]}
                min={1}
                max={40}
                onChange={(n) => set({ knots: [Math.min(n, wish.knots[0]), n] })}
              />
            </>
          )}
          <LengthField
            label="Each end beside the row"
            value={wish.ends}
            unit={units.unit}
            onChange={(ends) => set({ ends: Math.min(500, Math.max(1, ends)) })}
          />
        </Grid>
        <Choices
          label="Order"
          value={wish.order}
          minWidth="100px"
          choices={ORDERS}
          onChange={(order) => set({ order })}
        />
        <TickField
          label="Both halves alike"
          checked={wish.symmetric}
          onChange={(symmetric) => set({ symmetric })}
        />
        <Flex gap="3" align="center">
          {result.state === 'searching' ? (
            <>
              <Button onClick={stop}>Stop</Button>
              <Box
                role="progressbar"
                aria-label="Search"
                aria-valuenow={Math.round(result.share * 100)}
                flex="1"
                maxW="260px"
                h="8px"
                bg="faint"
                borderRadius="4px"
                overflow="hidden"
              >
                <Box h="full" bg="chalk" style={{ width: `${result.share * 100}%` }} />
              </Box>
            </>
          ) : (
            <Button
              variant="solid"
              disabled={picked.length === 0}
              onClick={() => start(...searchFor(piece, picked, wish))}
            >
              Propose rows
            </Button>
          )}
        </Flex>
      </Flex>
      <Box aria-live="polite">
        {result.state === 'failed' && (
          <Text color="danger" role="alert">
            {result.message}
          </Text>
        )}
        {result.state === 'found' && <Found proposals={result.proposals} />}
      </Box>
    </Grid>
  );
}

/** The piece with the ticked beads among its own, and what is wished of them. */
function searchFor(piece: Piece, picked: readonly BeadChoice[], wish: Wish): [Piece, LayoutWish] {
  let own = piece;
  const beads = picked.map(({ bead }) => {
    const next = withBead(own, bead);
    own = next.piece;
    return { id: next.id, least: 0, most: Math.min(MAX_OF_A_BEAD, bead.count ?? MAX_OF_A_BEAD) };
  });
  return [own, { ...wish, beads, keep: 6 }];
}

interface TicksProps {
  readonly choices: readonly BeadChoice[];
  readonly chosen: readonly string[];
  readonly onChange: (chosen: readonly string[]) => void;
}

function BeadTicks({ choices, chosen, onChange }: TicksProps) {
  return (
    <Box role="group" aria-label="Beads to use">
      <Text fontSize="sm" color="muted" mb="1">
        Beads to use
      </Text>
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} columnGap="4">
        {choices.map(({ key, bead }) => (
          <Flex key={key} align="center" gap="2">
            <TickField
              label={`${bead.name}${bead.count === undefined ? '' : `, ${bead.count} in hand`}`}
              checked={chosen.includes(key)}
              onChange={(on) =>
                onChange(on ? [...chosen, key] : chosen.filter((other) => other !== key))
              }
            />
          </Flex>
        ))}
      </Grid>
    </Box>
  );
}

function Found({ proposals }: { readonly proposals: readonly Proposal[] }) {
  const units = useUnits();
  if (proposals.length === 0) {
    return <Text>No row of these beads can be planned. Choose other beads or other knots.</Text>;
  }
  return (
    <Flex as="ol" listStyleType="none" direction="column" gap="4" m="0" p="0">
      {proposals.map((proposal, i) => (
        <Box as="li" key={i} bg="faint" borderRadius="soft" p="3" data-testid="proposal">
          <MiniPiece piece={proposal.piece} height={48} />
          <Flex gap="3" align="center" mt="2" flexWrap="wrap">
            <Box flex="1" minW="200px">
              <Text fontWeight="600" lineHeight="1.3">
                {units.size(proposal.size)}
                <Text as="span" color="muted" fontWeight="400" ml="2">
                  {Math.abs(proposal.off) < 0.05
                    ? 'exactly'
                    : `${Math.abs(proposal.off).toFixed(1)} mm ${proposal.off > 0 ? 'more' : 'less'}`}
                </Text>
              </Text>
              <Flex gap="3" align="center" flexWrap="wrap" fontSize="sm">
                {proposal.counts.map(({ id, count }) => {
                  const bead = proposal.piece.beads.find((b) => b.id === id);
                  return bead ? (
                    <Flex key={id} gap="1.5" align="center">
                      <BeadPicture bead={bead} scale={Math.min(1.6, 18 / bead.height)} />
                      {count} × {bead.name}
                    </Flex>
                  ) : null;
                })}
                {proposal.knots > 0 && <span>{proposal.knots} half knots between</span>}
              </Flex>
            </Box>
            <Button onClick={() => usePiece.getState().edit(() => proposal.piece)}>
              Use this row
            </Button>
          </Flex>
        </Box>
      ))}
    </Flex>
  );
}
