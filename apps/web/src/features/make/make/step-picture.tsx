import { Box, Flex, Text } from '@chakra-ui/react';
import {
  isFirstTied,
  movesInSpace,
  stepPicture,
  beginningShown,
  tyingShown,
  type Step,
} from '@coiled-strand/core';
import { Play, Rotate3d } from 'lucide-react';
import { useMemo, useState } from 'react';
import '../../piece/bench/bench.css';
import { ClosedView } from '../../piece/bench/closed-view';
import { Shapes, SlowMotion } from '../../piece/bench/shapes';
import { TyingMoves } from '../../piece/bench/tying-moves';
import { useUnits } from '../../../ui/settings/use-units';
import type { Make } from './use-make';
import { Button } from '../../../ui/shell/button';
import { later } from '../../../ui/shell/later';
import { drawsInSpace } from '../../piece/space/webgl';
import { CordStrip } from './cord-strip';

const MoveInSpace = later(
  () => import('../../piece/space/move-in-space').then((m) => m.MoveInSpace),
  'Setting it up in space',
);

/** What of a make its pictures show: as much as of a piece that is only practised on. */
export type Shown = Pick<Make, 'plan' | 'firstSide'> & {
  readonly view: Pick<Make['view'], 'piece'>;
};

interface Props {
  readonly make: Shown;
  readonly step: Step;
  /** Unit of the step, from 0. */
  readonly unit: number;
  /** What it shows, in words. */
  readonly label: string;
  /** Counts up each time the move is to be shown slowly; 0 for not yet. */
  readonly slow: number;
  readonly onSlow: () => void;
}

/** How high the picture is: enough for arm's length, and the words still below it on a phone. */
const HEIGHT = { base: '176px', md: 'clamp(330px, 33vh, 440px)' } as const;

/** Where buttons lie on a picture. */
const PLACED = { position: 'absolute', right: '2', bottom: '2' } as const;

/** The picture of the step at hand: a cord, the work close up, or the piece when worn. */
export function StepPicture({ make, step, unit, label, slow, onSlow }: Props) {
  const { plan, firstSide } = make;
  const { piece } = make.view;
  const picture = useMemo(
    () => stepPicture(piece, plan, step, unit, firstSide),
    [piece, plan, step, unit, firstSide],
  );
  /** What is tied move by move is shown so; where it lies in the piece is seen when it is turned round in space. */
  // Of hundreds of knots in a row a close-up says where the next one goes; how it is tied is told once.
  const told = !picture?.hangs || isFirstTied(step, unit);
  const tying = useMemo(
    () => (told ? tyingShown(piece, step, unit) : null),
    [piece, step, unit, told],
  );
  const begins = useMemo(() => (told ? beginningShown(piece, step) : null), [piece, step, told]);
  /** Turned round in space, where the step is one that can be; stays so from step to step. */
  const [inSpace, setInSpace] = useState(false);
  const turnable = movesInSpace(piece, step) && drawsInSpace();
  if (step.look?.kind === 'cord' || step.look?.kind === 'auxiliary') {
    return <CordPicture make={make} step={step} />;
  }
  if (step.look?.kind === 'worn') {
    return (
      <Box borderRadius="8px" overflow="hidden" data-testid="step-picture">
        <ClosedView piece={piece} plan={plan} height={HEIGHT} noted={false} />
      </Box>
    );
  }
  if (!picture) return null;
  const moves =
    tying !== null || picture.shapes.some((shape) => 'state' in shape && shape.state === 'moving');
  // Moves say how; a close-up of the work that hangs says where, and stands above them.
  const drawing = (
    <>
      {(!tying || picture.hangs) && (
        <FlatPicture
          key={`${step.id}-${unit}-${slow}`}
          picture={picture}
          label={label}
          slow={slow}
        />
      )}
      {begins && (
        <Box mt={picture.hangs ? '3' : '0'}>
          <TyingMoves shown={begins} />
        </Box>
      )}
      {tying && (
        <Box mt={picture.hangs || begins ? '3' : '0'}>
          <TyingMoves shown={tying} slow={slow} />
        </Box>
      )}
    </>
  );
  const slowly = (
    <Button minH="44px" title="Show me slowly (S)" aria-label="Show me slowly" onClick={onSlow}>
      <Play size={17} />
      <Box as="span" display={{ base: 'none', md: 'inline' }}>
        Show me slowly
      </Box>
    </Button>
  );
  // Beside moves that are told in words the buttons lie below them, and over no word.
  const placed = tying && !inSpace ? ({ mt: '2' } as const) : PLACED;
  if (!turnable) {
    return (
      <Box position="relative" minW="0" data-testid="step-picture">
        {drawing}
        {moves && <Box {...placed}>{slowly}</Box>}
      </Box>
    );
  }
  return (
    <Box position="relative" minW="0" data-testid="step-picture">
      {inSpace ? (
        <MoveInSpace {...{ piece, plan, step, unit, firstSide, label, slow }} flat={drawing} />
      ) : (
        drawing
      )}
      <Flex gap="2" {...placed} {...(inSpace && { bottom: '0' })}>
        <Button
          minH="44px"
          aria-label="In space"
          aria-pressed={inSpace}
          variant={inSpace ? 'solid' : 'line'}
          onClick={() => setInSpace(!inSpace)}
        >
          <Rotate3d size={17} />
          <Box as="span" display={{ base: 'none', md: 'inline' }}>
            In space
          </Box>
        </Button>
        {(moves || inSpace) && slowly}
      </Flex>
    </Box>
  );
}

interface FlatProps {
  readonly picture: NonNullable<ReturnType<typeof stepPicture>>;
  readonly label: string;
  readonly slow: number;
}

/** The picture drawn flat; what moves next can be seen to move. */
function FlatPicture({ picture: { frame, shapes, hangs }, label, slow }: FlatProps) {
  return (
    <Box h={HEIGHT} bg="bench" borderRadius="8px" overflow="hidden">
      <svg
        role="img"
        aria-label={label}
        viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
        preserveAspectRatio={hangs ? 'xMidYMin meet' : 'xMidYMid meet'}
        style={{ width: '100%', height: '100%', display: 'block' }}
      >
        <SlowMotion value={slow > 0}>
          <Shapes shapes={shapes} />
        </SlowMotion>
      </svg>
    </Box>
  );
}

/** A cord laid straight, with what each stretch of it is for. */
function CordPicture({ make, step }: Pick<Props, 'make' | 'step'>) {
  const units = useUnits();
  const { look } = step;
  const strand =
    look?.kind === 'cord' ? make.plan.strands.find((s) => s.number === look.strand) : undefined;
  const other = look?.kind === 'auxiliary' ? make.plan.auxiliary[look.index] : undefined;
  if (strand) {
    return (
      <Box bg="bench" borderRadius="8px" px="5" py="6" data-testid="step-picture">
        <CordStrip strand={strand} least={0.16} />
        <Flex justify="space-between" color="muted" fontSize="sm">
          <Text as="span">0</Text>
          {strand.fold !== null && <Text as="span">fold at {units.cord(strand.fold)}</Text>}
          <Text as="span">{units.cord(strand.cut)}</Text>
        </Flex>
      </Box>
    );
  }
  if (!other) return null;
  return (
    <Box bg="bench" borderRadius="8px" px="5" py="6" data-testid="step-picture">
      <Box
        h="14px"
        borderRadius="round"
        border="1px solid rgba(0,0,0,.35)"
        className="true-colour"
        style={{ background: other.cord?.colour.hex ?? 'var(--cs-colors-muted)' }}
      />
      <Flex justify="space-between" color="muted" fontSize="sm" mt="2">
        <Text as="span">0</Text>
        <Text as="span">{units.cord(other.cut)}</Text>
      </Flex>
    </Box>
  );
}
