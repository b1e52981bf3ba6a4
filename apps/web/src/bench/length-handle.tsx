import { useDrag } from '@use-gesture/react';
import { useRef, type KeyboardEvent } from 'react';
import { useUnits } from '../settings/use-units';
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
  /** Called for every step of a drag with the same key, for a key press with none. */
  readonly onChange: (mm: number, mergeKey?: string) => void;
  /** Gives the length back to the fit. */
  readonly onReset: () => void;
}

/** The end of a part, to be dragged or moved by arrow keys. */
export function LengthHandle(props: Props) {
  const { frame, label, start, length, min, max, onChange, onReset } = props;
  const { nudge, size } = useUnits();
  const drags = useRef(0);
  const clamp = (mm: number): number =>
    Math.min(max, Math.max(min, Math.round(mm / nudge) * nudge));
  const bind = useDrag(
    ({
      first,
      last,
      movement: [dx],
      memo = length,
    }: {
      first: boolean;
      last: boolean;
      movement: [number, number];
      memo?: number;
    }) => {
      const { hold, letGo } = useBenchView.getState();
      if (first) {
        drags.current += 1;
        hold();
      }
      onChange(clamp(memo + dx / frame.scale), `drag-${drags.current}`);
      // In a frame of its own: reframing redraws the rule.
      if (last) requestAnimationFrame(letGo);
      return memo;
    },
    { pointer: { keys: false } },
  );
  const press = (event: KeyboardEvent): void => {
    const step = event.shiftKey ? 10 * nudge : nudge;
    const moves: Partial<Record<string, () => void>> = {
      ArrowRight: () => onChange(clamp(length + step)),
      ArrowUp: () => onChange(clamp(length + step)),
      ArrowLeft: () => onChange(clamp(length - step)),
      ArrowDown: () => onChange(clamp(length - step)),
      Home: onReset,
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    move();
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
