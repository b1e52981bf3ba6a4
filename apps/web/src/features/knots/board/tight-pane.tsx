import { Box, Flex, Text } from '@chakra-ui/react';
import { type Board, type KnotSize, type Point3, type SpaceScene } from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { Openness } from '../../piece/space/openness';
import { viewBoxOf } from '../../piece/space/scene';
import { SpaceView } from '../../piece/space/space-view';
import { Button } from '../../../ui/shell/button';
import type { Frame } from './tighten-worker';
import { BEAD_COLOUR, colourOf, nameOfCord } from './colours';
import { FlatCords } from './flat-knot';
import { useLikenesses } from './use-likenesses';
import type { Tight } from './use-tight';
import { sayLikeness, sayMeasure, sayVerdict } from './words';

interface Props {
  readonly board: Board;
  readonly tight: Tight;
  /** Knots that it may be alike to, besides those that the program knows. */
  readonly own: readonly { readonly name: string; readonly board: Board }[];
}

/** How much of the leads is shown beside a knot, in diameters. */
const LEADS = 4;
/** A lead that turns by more than this is part of the knot; the cosine of the angle. */
const STRAIGHT = Math.cos(0.1);

/** Direction from one point to another, of length 1. */
function wayFrom(p: Point3, q: Point3): Point3 {
  const long = Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]) || 1;
  return [(q[0] - p[0]) / long, (q[1] - p[1]) / long, (q[2] - p[2]) / long];
}

/** The line without what of its beginning only leads there. */
function withoutLead(line: readonly Point3[]): readonly Point3[] {
  const first = wayFrom(line[0]!, line[1]!);
  const bends = line.findIndex((p, i) => {
    const q = line[i + 1];
    if (!q) return false;
    const [x, y, z] = wayFrom(p, q);
    return x * first[0] + y * first[1] + z * first[2] < STRAIGHT;
  });
  if (bends < 1) return line;
  const [x, y, z] = line[bends]!;
  return [[x - LEADS * first[0], y - LEADS * first[1], z - LEADS * first[2]], ...line.slice(bends)];
}

/** A straight line, no longer than what it goes through. */
function beside(line: readonly Point3[], knot: readonly Point3[]): readonly Point3[] {
  const [from, to] = [line[0]!, line.at(-1)!];
  const way = wayFrom(from, to);
  const along = ([x, y, z]: Point3): number =>
    (x - from[0]) * way[0] + (y - from[1]) * way[1] + (z - from[2]) * way[2];
  const places = knot.map(along);
  if (places.length === 0) return line;
  const at = (far: number): Point3 => [
    from[0] + far * way[0],
    from[1] + far * way[1],
    from[2] + far * way[2],
  ];
  return [
    at(Math.max(0, Math.min(...places) - LEADS)),
    at(Math.min(along(to), Math.max(...places) + LEADS)),
  ];
}

function sceneOf({ curves, beads }: Frame, board: Board): SpaceScene {
  const cut = curves.map((curve) => {
    const once = withoutLead(curve);
    return once === curve ? null : [...withoutLead([...once].reverse())].reverse();
  });
  const knot = cut.flatMap((line) => line ?? []);
  return {
    cords: curves.map((curve, i) => {
      const line = cut[i] ?? beside(curve, knot);
      return {
        key: `cord-${i}`,
        line,
        diameter: 1,
        strand: i + 1,
        colour: colourOf(i),
        texture: 'braid',
      };
    }),
    beads: beads.map((at, i) => {
      const { size } = board.beads![i]!;
      return {
        key: `bead-${i}`,
        at,
        shape: 'round',
        length: size,
        height: size,
        colour: BEAD_COLOUR,
      };
    }),
  };
}

/** The knot as it is drawn tight, and what is told of it. */
export function TightPane({ board, tight, own }: Props) {
  const { verdict, frames, drawing } = tight;
  /** Which moment is looked at, where that is not the last. */
  const [moment, setMoment] = useState<number | null>(null);
  const last = frames.length - 1;
  const holds = verdict?.how === 'holds' ? verdict.tight : null;
  const at = moment === null || drawing ? last : Math.min(moment, last);
  const frame = frames[at];
  const scene = useMemo(() => (frame ? sceneOf(frame, board) : null), [frame, board]);
  const like = useLikenesses(board, verdict !== null, own);
  if (!scene && !drawing && !verdict) {
    return (
      <Text color="muted" maxW="46ch">
        Draw a cord that crosses itself, or two that cross. As soon as it can hold something it is
        drawn tight here, and can be turned round.
      </Text>
    );
  }
  return (
    <Box>
      {scene ? (
        <SpaceView
          scene={scene}
          label="The knot as it is drawn tight"
          height={340}
          passing={drawing}
          flat={<FlatKnotBox scene={scene} />}
        >
          <Box flex="1" />
          {drawing && (
            <Button variant="line" onClick={tight.stop}>
              Stop, and take it as it is
            </Button>
          )}
        </SpaceView>
      ) : (
        <Box h="340px" bg="bench" borderRadius="soft" aria-hidden />
      )}
      {!drawing && last > 0 && <Openness moments={frames.length} at={at} onChange={setMoment} />}
      <Text mt="3" role="status" data-testid="verdict">
        {drawing ? 'Drawing it tight …' : verdict ? sayVerdict(verdict) : ''}{' '}
        {verdict && like && sayLikeness(like)}
      </Text>
      {holds && <Sizes size={holds.size} cores={board.cores ?? []} />}
    </Box>
  );
}

/** Seen from above, where nothing can be drawn in space. */
function FlatKnotBox({ scene }: { readonly scene: SpaceScene }) {
  return (
    <Box bg="bench" borderRadius="soft">
      <svg
        viewBox={viewBoxOf(scene)}
        style={{ display: 'block', width: '100%', height: 340 }}
        role="img"
        aria-label="The knot as it is drawn tight, from above"
      >
        <FlatCords curves={scene.cords.map(({ line }) => line)} />
      </svg>
    </Box>
  );
}

/** What it takes and how large it is, in diameters of its cord. */
function Sizes({ size, cores }: { readonly size: KnotSize; readonly cores: readonly number[] }) {
  const rows: readonly (readonly [string, string])[] = [
    ...size.uses.flatMap((use, i): [string, string][] =>
      cores.includes(i) ? [] : [[`Taken of ${nameOfCord(i, cores)}`, sayMeasure(use)]],
    ),
    ['Length along the piece', sayMeasure(size.length)],
    ['Width', sayMeasure(size.width)],
    ['Thickness', sayMeasure(size.thickness)],
  ];
  return (
    <Box mt="3" maxW="420px" data-testid="sizes">
      <Box as="dl" m="0">
        {rows.map(([what, value]) => (
          <Flex key={what} py="1" borderBottom="1px solid {colors.line}" gap="4">
            <Box as="dt" flex="1">
              {what}
            </Box>
            <Box as="dd" m="0" fontWeight="600">
              {value}
            </Box>
          </Flex>
        ))}
      </Box>
      <Text fontSize="sm" color="muted" mt="2">
        In diameters of the cord, over and above its length. In 2 mm cord, 10 is 20 mm.
      </Text>
    </Box>
  );
}
