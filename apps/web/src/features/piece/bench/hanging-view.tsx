import {
  drawHanging,
  firstSideFor,
  type HangingView as Hanging,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { usePreferences } from '../../../ui/settings/use-preferences';
import { useMemo } from 'react';
import { useUnits } from '../../../ui/settings/use-units';
import { NotedView, type Note } from './noted-view';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly height: { readonly base: string; readonly md: string };
}

/** How far below the hollow of the neck something lies, in words. */
const below = (mm: number, say: (mm: number) => string): string =>
  mm < 0.5 ? 'in the hollow of the neck' : `${say(mm)} below the hollow of the neck`;

/** What is written beside it, from the neck down. */
function hangingNotes(
  { hang, girth, measured, lowest, hanging }: Hanging,
  { fit }: Plan,
  say: (mm: number) => string,
): Note[] {
  const at =
    (x: number, y: number): Note['at'] =>
    () => [x, y];
  const [x, up] = hang.line.at(hang.front * 0.3);
  const line = at(x, hang.drop - up);
  const { pass } = fit;
  return [
    { text: `Neck ${say(girth)}${measured ? '' : ', assumed'}`, at: at(hang.neck * 0.9, -70) },
    fit.circumference > 0
      ? { text: `Inside ${say(fit.circumference)}`, at: line }
      : { text: `Laid out ${say(fit.length)}`, at: line },
    ...(pass
      ? [
          {
            text: `Passes the ${pass.what}, ${say(pass.mm)}${pass.estimated ? ', estimated' : ''}`,
            at: line,
          },
        ]
      : []),
    { text: `The line lies ${below(hang.drop, say)}`, at: at(0, hang.drop) },
    ...hanging.map(({ label, from, to }) => ({
      text: `${label}: from ${say(Math.max(0, from))} to ${say(to)} below it`,
      at: at(0, (from + to) / 2),
    })),
    ...(lowest > hang.drop + 1 && hanging.length === 0
      ? [{ text: `Reaches down to ${say(lowest)} below it`, at: at(0, lowest) }]
      : []),
  ];
}

/** A necklace as it hangs on the wearer’s neck, with its drop and where what hangs from it comes to lie. */
export function HangingView({ piece, plan, height }: Props) {
  const units = useUnits();
  const { hand } = usePreferences();
  const hanging = useMemo(() => drawHanging(piece, plan, firstSideFor(hand)), [piece, plan, hand]);
  const notes = hangingNotes(hanging, plan, units.size);
  return (
    <NotedView
      drawing={hanging}
      notes={notes}
      reach={hanging.bounds.x + hanging.bounds.width}
      label={`On the neck: ${notes.map((note) => note.text).join(', ')}. Shoulders and chest make it lie a little otherwise.`}
      testId="hanging-view"
      height={height}
      noted
    />
  );
}
