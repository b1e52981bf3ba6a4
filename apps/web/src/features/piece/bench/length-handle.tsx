import { useDrag } from '@use-gesture/react';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { inTurn } from '../../../ui/shell/in-turn';
import { useUnits } from '../../../ui/settings/use-units';
import type { BenchFrame } from './bench';
import { RULER_HEIGHT } from './ruler';
import { useBenchView } from './view-store';

interface Props {
  readonly frame: BenchFrame;
  /** What is stretched, as it is called. */
  readonly label: string;
  /** Where it begins on the rule in mm. */
  readonly start: number;
  /** Its length in mm. */
  readonly length: number;
  readonly min: number;
  readonly max: number;
  /**
   * Works out what another length comes to, or with null the one that the fit gives it; what it returns carries it out,
   * under one key for a whole drag.
   */
  readonly prepare: (mm: number | null) => (mergeKey?: string) => void;
  /** Works out what comes of letting go. */
  readonly prepareRest: () => void;
}

/** One move of the hand: how long, and which drag it is of. */
interface Move extends Pick<Props, 'prepare'> {
  readonly mm: number;
  readonly drag: string;
}

/** So many drags there were: each is one step of undo, whichever end it was of. */
let drags = 0;

/** Taken hold of, worked out, and shown, in three tasks: the hand is never held up by the sum of them. */
const moves = inTurn(
  (move: Move): Move => {
    useBenchView.getState().hold();
    return move;
  },
  ({ prepare, mm, drag }) => ({ carryOut: prepare(mm), drag }),
  ({ carryOut, drag }) => carryOut(drag),
);

/** Lets go in tasks of its own: what hands find takes its time, and so does the frame. */
function letGo(prepareRest?: () => void): void {
  setTimeout(() => {
    prepareRest?.();
    setTimeout(useBenchView.getState().letGo);
  });
}

/** The end of a part, to be dragged or moved by arrow keys. */
export function LengthHandle(props: Props) {
  const { frame, label, start, length, min, max, prepare, prepareRest } = props;
  const { nudge, size } = useUnits();
  const held = useRef(false);
  // Where it is folded, an end that was dragged into the next row is taken hold of there.
  useEffect(
    () => () => {
      if (!held.current) return;
      moves.finish();
      letGo();
    },
    [],
  );
  const clamp = (mm: number): number =>
    Math.min(max, Math.max(min, Math.round(mm / nudge) * nudge));
  const bind = useDrag(
    ({
      first,
      last,
      movement: [dx],
      memo = { from: length, moved: false },
    }: {
      first: boolean;
      last: boolean;
      movement: [number, number];
      memo?: { readonly from: number; readonly moved: boolean };
    }) => {
      if (first) drags += 1;
      held.current = !last;
      const moved = memo.moved || dx !== 0;
      // Taking hold of it alone changes nothing: what the fit asks for is no round length.
      if (moved) {
        const mm = clamp(memo.from + dx / frame.scale);
        moves.take({ prepare, mm, drag: `drag-${drags}` });
      }
      if (last) {
        moves.finish();
        letGo(prepareRest);
      }
      return { from: memo.from, moved };
    },
    { pointer: { keys: false } },
  );
  const press = (event: KeyboardEvent): void => {
    const step = event.shiftKey ? 10 * nudge : nudge;
    const keys: Partial<Record<string, () => void>> = {
      ArrowRight: () => prepare(clamp(length + step))(),
      ArrowUp: () => prepare(clamp(length + step))(),
      ArrowLeft: () => prepare(clamp(length - step))(),
      ArrowDown: () => prepare(clamp(length - step))(),
      Home: () => prepare(null)(),
    };
    const run = keys[event.key];
    if (!run) return;
    event.preventDefault();
    run();
  };
  const x = (start + length - frame.x) * frame.scale;
  const bottom = frame.height - RULER_HEIGHT;
  return (
    <g
      {...bind()}
      onKeyDown={press}
      data-handle
      className="bench-handle"
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="horizontal"
      aria-valuemin={Math.round(min)}
      aria-valuemax={Math.round(max)}
      aria-valuenow={Number(length.toFixed(1))}
      aria-valuetext={size(length)}
      transform={`translate(${x} 0)`}
      style={{ touchAction: 'none' }}
    >
      <rect x={-22} y={0} width={44} height={bottom + RULER_HEIGHT} fill="transparent" />
      <path
        d={`M0 ${frame.top}V${bottom + RULER_HEIGHT}`}
        style={{ stroke: 'var(--chalk)' }}
        strokeWidth={1.5}
        strokeDasharray="5 4"
      />
      <g transform={`translate(0 ${bottom})`}>
        <rect
          className="bench-grip"
          x={-13}
          y={-24}
          width={26}
          height={24}
          rx={5}
          style={{ fill: 'var(--cs-colors-raised)', stroke: 'var(--chalk)', strokeWidth: 1.5 }}
        />
        <path
          d="M-3 -17l-4 5 4 5M3 -17l4 5 -4 5"
          fill="none"
          style={{ stroke: 'var(--chalk)' }}
          strokeWidth={1.8}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </g>
    </g>
  );
}
