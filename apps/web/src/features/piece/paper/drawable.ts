import {
  boundsOf,
  drawBench,
  drawClosed,
  drawHanging,
  firstSideFor,
  makeSteps,
  partKind,
  speak,
  stepPicture,
  type Bounds,
  type Piece,
  type Plan,
  type Primitive,
  type Side,
  type SpokenUnits,
} from '@coiled-strand/core';

/** Something drawn, to be saved. */
interface Drawable {
  readonly title: string;
  readonly bounds: Bounds;
  readonly shapes: readonly Primitive[];
}

/** All of a piece that can be had as a drawing: itself, worn, closed, a part, the picture of a step. */
export function drawable(
  piece: Piece,
  plan: Plan,
  hand: Side,
  units: SpokenUnits,
): { readonly value: string; readonly label: string }[] {
  const onNeck = piece.wear.site === 'neck';
  return [
    { value: 'piece', label: 'The piece as it lies' },
    ...(onNeck ? [{ value: 'worn', label: 'The piece on the neck, from the front' }] : []),
    ...(onNeck && plan.fit.circumference === 0
      ? []
      : [{ value: 'closed', label: 'The piece closed' }]),
    ...piece.parts.map(({ id, kind }, i) => ({
      value: `part ${id}`,
      label: `Part ${i + 1}: ${partKind(kind).entry.label}`,
    })),
    ...makeSteps(piece, plan, { hand }).flatMap((step, i) =>
      stepPicture(piece, plan, step, 0, firstSideFor(hand))
        ? [{ value: `step ${i}`, label: `Step ${i + 1}: ${speak(step.title, units)}` }]
        : [],
    ),
  ];
}

/** Room about a drawing, in mm. */
const ROOM = 1;

/** One of them: see `drawable`. What is no longer there is the piece. */
export function drawingOf(piece: Piece, plan: Plan, hand: Side, value: string): Drawable {
  const [what, id] = value.split(' ');
  const firstSide = firstSideFor(hand);
  if (what === 'closed') return { title: `${piece.name}, closed`, ...drawClosed(piece, plan) };
  if (what === 'worn') {
    return { title: `${piece.name}, on the neck`, ...drawHanging(piece, plan, firstSide) };
  }
  if (what === 'step') {
    const step = makeSteps(piece, plan, { hand })[Number(id)];
    const picture = step && stepPicture(piece, plan, step, 0, firstSide);
    if (picture) {
      const { frame: bounds, shapes } = picture;
      return { title: `${piece.name}, step ${Number(id) + 1}`, bounds, shapes };
    }
  }
  const bench = drawBench(piece, plan, { tails: false, firstSide });
  const layer = what === 'part' ? bench.layers.find(({ key }) => key === id) : undefined;
  if (layer && layer.shapes.length > 0) {
    const part = piece.parts.findIndex((one) => one.id === id);
    return {
      title: `${piece.name}, part ${part + 1}`,
      bounds: boundsOf(layer.shapes, ROOM),
      shapes: layer.shapes,
    };
  }
  return { title: piece.name, bounds: bench.bounds, shapes: bench.shapes };
}
