import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { usePreferences } from '../../../../ui/settings/use-preferences';
import type { KitDto } from '@coiled-strand/contract';
import {
  firstSideFor,
  makeSteps,
  planPiece,
  stepPicture,
  tyingsShown,
  type Piece,
  type Plan,
  type Step,
  type Wearer,
} from '@coiled-strand/core';
import { thingName, type PieceNeeds } from '@coiled-strand/workshop';
import { ArrowLeft, Printer } from 'lucide-react';
import { useMemo } from 'react';
import { useHand } from '../../../../data/api/queries';
import '../../../piece/bench/bench.css';
import { TyingMoves } from '../../../piece/bench/tying-moves';
import { sayWait } from '../../../make/make/duration';
import { Shapes } from '../../../piece/bench/shapes';
import { Cautions } from '../../../piece/piece/cautions';
import { usePaperSize, usePrinting } from '../../../piece/paper/use-paper';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Terms } from '../../../piece/piece/terms';

interface Props {
  readonly piece: Piece;
  readonly kit: KitDto;
  readonly wearers: readonly Wearer[];
  readonly needs: PieceNeeds;
  readonly onBack: () => void;
}

/** What goes with a pack: what is in it, how long each size becomes, and every step with its picture. */
export function Card({ piece, kit, wearers, needs, onBack }: Props) {
  const units = useUnits();
  const hand = useHand();
  const [paper] = usePaperSize();
  const printing = usePrinting();
  const { hand: leads } = usePreferences();
  const sizes = useMemo(
    () =>
      wearers.flatMap((wearer) => {
        const sized = { ...piece, wearer };
        const plan = planPiece(sized, hand);
        return plan.ok ? [{ sized, plan }] : [];
      }),
    [piece, wearers, hand],
  );
  const largest = useMemo(() => {
    const one = sizes.reduce<(typeof sizes)[number] | null>(
      (most, own) => (most && most.plan.fit.length >= own.plan.fit.length ? most : own),
      null,
    );
    // One card goes with every size: what is said of children is on it if any of them is one.
    const child = wearers.some((wearer) => wearer.child) && { child: true };
    return one && { ...one, sized: { ...one.sized, wearer: { ...one.sized.wearer, ...child } } };
  }, [sizes, wearers]);
  const steps = useMemo(
    () => (largest ? makeSteps(largest.sized, largest.plan, { hand: leads }) : []),
    [largest, leads],
  );
  return (
    <Box data-testid="kit-card">
      <Flex className="no-print" gap="3" mb="6">
        <Button onClick={onBack}>
          <ArrowLeft size={18} /> Back to the kit
        </Button>
        {largest && (
          <Button
            variant="solid"
            disabled={printing.isPending}
            onClick={() =>
              printing.mutate({
                order: {
                  what: 'booklet',
                  piece: { ...largest.sized, name: kit.name },
                  plan: largest.plan,
                  choice: { paper, units, hand: leads, kit: true },
                },
                name: kit.name,
              })
            }
          >
            <Printer size={18} /> Save as a booklet
          </Button>
        )}
      </Flex>
      {printing.error && (
        <Text color="danger" role="alert" mb="4">
          It could not be made: {printing.error.message}
        </Text>
      )}
      <Heading as="h1" fontSize="2xl">
        {kit.name}
      </Heading>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="6" mt="4" className="print-keep">
        <Box>
          <Text fontWeight="600">In the pack</Text>
          {needs.cuts.map(({ id, cord, length, role }) => (
            <Text key={id}>
              {units.cord(length)} of {cord.name}, {cord.colour.name} ({role.toLowerCase()})
            </Text>
          ))}
          {needs.things.map(({ thing, count }) => (
            <Text key={thingName(thing)}>
              {count} × {thingName(thing)}
            </Text>
          ))}
        </Box>
        <Box>
          <Text fontWeight="600">How long the work becomes</Text>
          {sizes.map(({ sized: { wearer }, plan }) => (
            <Text key={wearer.name}>
              {wearer.name}: {units.size(plan.fit.length)}
            </Text>
          ))}
          <Text color="muted">The pictures show the largest.</Text>
        </Box>
      </Grid>
      {largest && <ToKnow plan={largest.plan} />}
      {largest && (
        <Box as="ol" listStyleType="none" m="0" p="0" mt="8">
          {steps.map((step, i) => (
            <StepOnCard
              key={step.id}
              index={i + 1}
              step={step}
              piece={largest.sized}
              plan={largest.plan}
              leads={leads}
            />
          ))}
        </Box>
      )}
    </Box>
  );
}

/** What the plan has to say of this piece, as on the screen. */
function ToKnow({ plan: { advice } }: { readonly plan: Plan }) {
  const units = useUnits();
  if (advice.length === 0) return null;
  return (
    <Box mt="6" className="print-keep">
      <Text fontWeight="600">What to know</Text>
      {advice.map(({ code, path, message, remedy }) => (
        <Text key={`${code} ${path}`}>
          {units.say(message)} {units.say(remedy)}
        </Text>
      ))}
    </Box>
  );
}

/** A cord laid straight, where a step cuts one. */
function CordOfStep({ step: { look }, plan }: { readonly step: Step; readonly plan: Plan }) {
  const cord =
    look?.kind === 'cord'
      ? plan.strands.find(({ number }) => number === look.strand)?.cord
      : look?.kind === 'auxiliary'
        ? plan.auxiliary[look.index]?.cord
        : null;
  if (!cord) return null;
  return (
    <Box
      mt="4"
      h="12px"
      borderRadius="round"
      border="1px solid rgba(0,0,0,.35)"
      className="true-colour"
      style={{ background: cord.colour.hex }}
    />
  );
}

interface StepProps {
  readonly index: number;
  readonly step: Step;
  readonly piece: Piece;
  readonly plan: Plan;
  readonly leads: 'left' | 'right';
}

function StepOnCard({ index, step, piece, plan, leads }: StepProps) {
  const units = useUnits();
  const picture = useMemo(
    () => stepPicture(piece, plan, step, 0, firstSideFor(leads)),
    [piece, plan, step, leads],
  );
  const tyings = useMemo(() => tyingsShown(piece, step), [piece, step]);
  return (
    <Grid
      as="li"
      className="print-keep"
      templateColumns={{ base: '1fr', md: '280px 1fr' }}
      gap="5"
      py="4"
      borderTop="1px solid {colors.line}"
    >
      <Box>
        <CordOfStep step={step} plan={plan} />
        {picture && (
          <svg
            aria-hidden
            viewBox={`${picture.frame.x} ${picture.frame.y} ${picture.frame.width} ${picture.frame.height}`}
            style={{ width: '100%', height: 130, display: 'block' }}
          >
            <Shapes shapes={picture.shapes} />
          </svg>
        )}
      </Box>
      <Box minW="0">
        <Text fontWeight="600">
          {index}. {units.say(step.title)}
          {step.units > 1 && `, ${step.units} times`}
        </Text>
        {step.text !== '' && <Text>{units.say(step.text)}</Text>}
        <Terms terms={step.terms} />
        {tyings.map((tying) => (
          <TyingMoves key={tying.name} shown={tying} />
        ))}
        <Cautions cautions={step.cautions} />
        {step.wait && <Text mt="2">{sayWait(step.wait)}</Text>}
      </Box>
    </Grid>
  );
}
