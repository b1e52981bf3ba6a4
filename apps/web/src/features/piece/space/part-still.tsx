import { Box } from '@chakra-ui/react';
import {
  beadIdsOf,
  drawInSpace,
  ENGINE,
  TIGHTENED_CURVES,
  type Part,
  type PartPlan,
  type Piece,
  type Plan,
  type SpaceScene,
} from '@coiled-strand/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useRested } from '../../../ui/shell/use-rested';
import { FlatScene } from './flat-scene';
import { boxOf } from './scene';
import { dotsOfScreen } from './stage';
import { stillOf } from './stills';
import type { Look } from './view-store';
import { drawsApart } from './webgl';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly part: Part;
  readonly width: number;
  readonly height: number;
}

/** A little from above the edge, so that it is seen what lies over what. */
const LOOK: Look = { turn: 0, tilt: 28, near: 1 };
/** Room above and below, as a share of what is shown. */
const ROOM = 1.25;
/** A change is waited for, in ms, before it is drawn. */
const RESTED = 400;

/** A cord by itself is shown no larger than so many of it fit one over the other. */
const MIN_HIGH = 3.5;

/** What of a part is kept in sight: all of its width, and as much of its length as there is room for. */
function frameOf(scene: SpaceScene, width: number, height: number): readonly [number, number] {
  const [long, wide, thick] = boxOf(scene).size;
  const cord = Math.max(0, ...scene.cords.map(({ diameter }) => diameter));
  const high = Math.max(ROOM * Math.hypot(wide, thick / 2), MIN_HIGH * cord);
  return [Math.min(ROOM * long, (high * width) / height), high];
}

/** All that decides how a part is seen, and nothing else: parts that are alike are drawn once. */
function keyOf(
  piece: Piece,
  part: Part,
  planned: PartPlan | undefined,
  size: readonly number[],
): string {
  const { id: _id, ...own } = part;
  const beads = beadIdsOf(part);
  const layout = planned?.layout;
  return JSON.stringify([
    ENGINE,
    own,
    layout && [layout.length, layout.units, layout.width, layout.thickness, layout.pitch],
    piece.strands.map(({ cord: { kind, diameter, effective, colour }, legs }) => [
      kind,
      diameter,
      effective,
      colour.hex,
      legs,
    ]),
    piece.beads
      .filter(({ id }) => beads.includes(id))
      .map(({ shape, length, height, colour }) => [shape, length, height, colour.hex]),
    piece.knots?.map(({ id, origin, version }) => [id, origin, version]),
    size,
  ]);
}

/** A small picture of a part in space, by the curves that it is measured by; drawn once for all that are like it. */
export function PartStill(props: Props) {
  const { piece, plan, part, width, height } = useRested(props, RESTED);
  const planned = plan.parts.find(({ id }) => id === part.id);
  const key = useMemo(
    () => keyOf(piece, part, planned, [width, height, dotsOfScreen()]),
    [piece, part, planned, width, height],
  );
  const apart = drawsApart();
  const { data } = useQuery({
    queryKey: ['still', key],
    enabled: apart && planned !== undefined,
    staleTime: Infinity,
    networkMode: 'always',
    queryFn: () =>
      stillOf(key, () => {
        const scene = drawInSpace(piece, plan, TIGHTENED_CURVES, part.id);
        const frame = frameOf(scene, width, height);
        return { scene, look: LOOK, frame, width, height, dots: dotsOfScreen() };
      }),
  });
  const url = useMemo(() => (data ? URL.createObjectURL(data) : null), [data]);
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  const flat = useMemo(
    () => (apart || !planned ? null : drawInSpace(piece, plan, TIGHTENED_CURVES, part.id)),
    [apart, planned, piece, plan, part],
  );
  return (
    <Box w={`${width}px`} h={`${height}px`} bg="bench" borderRadius="soft" flexShrink={0}>
      {url && <img src={url} alt="" width={width} height={height} data-testid="still" />}
      {flat && <FlatScene scene={flat} height={height} />}
    </Box>
  );
}
