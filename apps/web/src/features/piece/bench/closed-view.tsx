import { drawClosed, type ClosedView as Closed, type Piece, type Plan } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useUnits } from '../../../ui/settings/use-units';
import { NotedView, type Note } from './noted-view';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly height: { readonly base: string; readonly md: string };
  /** Whether what it measures is written beside it, where there is room for it. */
  readonly noted?: boolean;
}

const NAMES = { wrist: 'Wrist', ankle: 'Ankle', neck: 'Neck' } as const;

/** What is written beside the closed piece, from the inside outwards. */
function closedNotes(
  closed: Closed,
  plan: Plan,
  piece: Piece,
  say: (mm: number) => string,
): Note[] {
  const { fit } = plan;
  const lines: { text: string; r: number }[] = [];
  if (fit.girth > 0) {
    lines.push({ text: `${NAMES[piece.wear.site]} ${say(fit.girth)}`, r: closed.body * 0.86 });
  }
  if (fit.circumference === 0) {
    lines.push({ text: `Laid out ${say(fit.length)}`, r: closed.inner });
  } else {
    if (fit.girth > 0) {
      lines.push({
        text: `Room all round ${say(closed.inner - closed.body)}`,
        r: (closed.body + closed.inner) / 2,
      });
    }
    lines.push({ text: `Inside ${say(fit.circumference)}`, r: closed.inner });
    const [first, last] = [fit.states[0], fit.states.at(-1)];
    if (fit.states.length > 1 && first && last) {
      lines.push({ text: `${first.label} ${say(first.circumference)}`, r: closed.shortest });
      lines.push({ text: `${last.label} ${say(last.circumference)}`, r: closed.longest });
    } else {
      lines.push({
        text: `Thickness ${say(closed.outer - closed.inner)}`,
        r: (closed.inner + closed.outer) / 2,
      });
    }
    if (fit.pass) {
      const { what, mm, estimated } = fit.pass;
      lines.push({
        text: `Passes the ${what}, ${say(mm)}${estimated ? ', estimated' : ''}`,
        r: closed.pass,
      });
    }
  }
  return lines.map(({ text, r }) => ({
    text,
    at: (y) => {
      const angle = (y / 110) * 0.9;
      return [Math.cos(angle) * r, Math.sin(angle) * r];
    },
  }));
}

/** The piece closed round the body, with what it measures written beside it. */
export function ClosedView({ piece, plan, height, noted = true }: Props) {
  const units = useUnits();
  const closed = useMemo(() => drawClosed(piece, plan), [piece, plan]);
  const notes = closedNotes(closed, plan, piece, units.size);
  return (
    <NotedView
      drawing={closed}
      notes={notes}
      reach={Math.max(closed.outer, closed.longest, closed.pass)}
      label={`Closed round the ${piece.wear.site}: ${notes.map((n) => n.text).join(', ')}`}
      testId="closed-view"
      height={height}
      noted={noted}
    />
  );
}
