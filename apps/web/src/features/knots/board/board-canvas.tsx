import { Box } from '@chakra-ui/react';
import {
  BOARD_LIMITS,
  onBoard,
  type Board,
  type BoardCrossing,
  type Point,
} from '@coiled-strand/core';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import './board.css';
import { BEAD_COLOUR, colourOf } from './colours';
import { FlatCords } from './flat-knot';
import { pointAlong } from './point-along';
import { cordFrom, sightOf } from './pencil';
import { crossingWords } from './words';

interface Props {
  readonly board: Board;
  readonly crossings: readonly BoardCrossing[];
  /** Where cords were drawn through one another; nothing for null. */
  readonly wrong: Point | null;
  readonly describedBy: string;
  readonly onCord: (cord: Point[]) => void;
  readonly onTurn: (crossing: string) => void;
  /** What the pencil did, for whoever does not see it. */
  readonly onSay: (words: string) => void;
}

/** Points of a finger nearer than this to the last are left out, in diameters. */
const CLOSE = 0.15;

/** The board: cords are drawn on it by finger, mouse or keys, and crossings turned over. */
export function BoardCanvas(props: Props) {
  const { board, crossings, wrong, describedBy, onCord, onTurn, onSay } = props;
  const svg = useRef<SVGSVGElement>(null);
  /** What is being drawn, by a pointer or by keys. */
  const [line, setLine] = useState<readonly Point[] | null>(null);
  /** Where the keys have the pencil; null while nobody uses them. */
  const [pencil, setPencil] = useState<Point | null>(null);
  const dragging = useRef(false);
  const sight = sightOf(board);
  const curves = useMemo(() => onBoard(board), [board]);
  const full = board.cords.length >= BOARD_LIMITS.cords;

  const pointIn = (event: PointerEvent): Point => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg.current!.getScreenCTM()!.inverse(),
    );
    return [at.x, -at.y];
  };
  const finish = (drawn: readonly Point[]): void => {
    setLine(null);
    const cord = cordFrom(drawn);
    if (cord) onCord(cord);
    else onSay('Too short to be a cord: draw on before you let go.');
  };
  const down = (event: PointerEvent): void => {
    if (event.button !== 0 || full) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    dragging.current = true;
    setPencil(null);
    setLine([pointIn(event)]);
  };
  const move = (event: PointerEvent): void => {
    if (!dragging.current) return;
    const next = pointIn(event);
    setLine((old) => {
      const last = old?.at(-1);
      if (!old || !last) return [next];
      return Math.hypot(next[0] - last[0], next[1] - last[1]) < CLOSE ? old : [...old, next];
    });
  };
  const up = (): void => {
    if (!dragging.current) return;
    dragging.current = false;
    if (line) finish(line);
  };
  const cancel = (): void => {
    dragging.current = false;
    setLine(null);
  };

  const put = (at: Point): void => {
    if (full) {
      onSay(`At most ${BOARD_LIMITS.cords} cords can be drawn.`);
      return;
    }
    const last = line?.at(-1);
    if (line && last?.[0] === at[0] && last[1] === at[1]) {
      finish(line);
      return;
    }
    const next = [...(line ?? []), at];
    setLine(next);
    onSay(
      next.length === 1 ? `A cord begins at ${said(at)}.` : `Point ${next.length} at ${said(at)}.`,
    );
  };
  const press = (event: KeyboardEvent): void => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey) return;
    const at: Point = pencil ?? [Math.round(sight.x + 2), 0];
    const far = event.shiftKey ? 4 : 1;
    const way = WAYS[event.key];
    if (way) {
      const next: Point = [at[0] + far * way[0], at[1] + far * way[1]];
      if (Math.hypot(...next) < BOARD_LIMITS.across) setPencil(next);
    } else if (event.key === 'Enter' || event.key === ' ') {
      setPencil(at);
      put(at);
    } else if (event.key === 'End' && line) finish(line);
    else if (event.key === 'Backspace' && line) {
      setLine(line.length > 1 ? line.slice(0, -1) : null);
      onSay(line.length > 1 ? 'The last point is gone.' : 'The cord is gone.');
    } else if (event.key === 'Escape' && line) {
      cancel();
      onSay('The cord is gone.');
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  // While a pointer draws, the keys have no pencil.
  const shown = line && pencil ? [...line, pencil] : line;
  return (
    <Box bg="bench" borderRadius="soft" overflow="hidden">
      <svg
        ref={svg}
        className="board"
        role="application"
        aria-label="Board"
        aria-describedby={describedBy}
        tabIndex={0}
        data-testid="board"
        viewBox={`${sight.x} ${-(sight.y + sight.height)} ${sight.width} ${sight.height}`}
        preserveAspectRatio="xMidYMid meet"
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={cancel}
        onKeyDown={press}
        onBlur={() => setPencil(null)}
      >
        <Dots {...sight} />
        <FlatCords curves={curves} />
        {(board.beads ?? []).map(({ cord, along, size }, i) => {
          const [x, y] = pointAlong(board.cords[cord]!, along);
          return <circle key={i} cx={x} cy={-y} r={size / 2} fill={BEAD_COLOUR} opacity="0.92" />;
        })}
        {board.cords.map((cord, i) => (
          <End key={i} at={cord[0]!} number={i + 1} />
        ))}
        {shown && (
          <polyline
            className="board-line"
            points={shown.map(([x, y]) => `${x},${-y}`).join(' ')}
            style={{ stroke: colourOf(board.cords.length) }}
          />
        )}
        {crossings.map((one, i) => (
          <CrossingMark
            key={one.name}
            at={one.at}
            room={roomFor(one, crossings)}
            words={crossingWords(one, i, board.cores)}
            onTurn={() => onTurn(one.name)}
          />
        ))}
        {wrong && <circle className="board-wrong" cx={wrong[0]} cy={-wrong[1]} r="1.8" />}
        {pencil && <Pencil at={pencil} />}
      </svg>
    </Box>
  );
}

const WAYS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** '3 right, 2 up': a place on the board from its middle, in cord diameters. */
function said([x, y]: Point): string {
  const across = x === 0 ? 'the middle' : `${Math.abs(x)} ${x > 0 ? 'right' : 'left'}`;
  return y === 0 ? across : `${across}, ${Math.abs(y)} ${y > 0 ? 'up' : 'down'}`;
}

/** A dot every two diameters, so that the eye has something to draw by. */
function Dots({ x, y, width, height }: ReturnType<typeof sightOf>) {
  return (
    <>
      <defs>
        <pattern id="board-dots" width="2" height="2" patternUnits="userSpaceOnUse">
          <circle cx="1" cy="1" r="0.09" className="board-dot" />
        </pattern>
      </defs>
      <rect x={x} y={-(y + height)} width={width} height={height} fill="url(#board-dots)" />
    </>
  );
}

const End = ({ at: [x, y], number }: { readonly at: Point; readonly number: number }) => (
  <g className="board-end" aria-hidden>
    <circle cx={x} cy={-y} r="0.62" />
    <text x={x} y={-y} textAnchor="middle" dominantBaseline="central">
      {number}
    </text>
  </g>
);

const Pencil = ({ at: [x, y] }: { readonly at: Point }) => (
  <g className="board-pencil" aria-hidden>
    <path d={`M${x - 1},${-y}h2M${x},${-y - 1}v2`} />
    <circle cx={x} cy={-y} r="0.5" />
  </g>
);

/** Crossings close together have smaller marks, each to be hit by itself. */
function roomFor(one: BoardCrossing, all: readonly BoardCrossing[]): number {
  const nearest = Math.min(
    ...all
      .filter((other) => other !== one)
      .map(({ at }) => Math.hypot(at[0] - one.at[0], at[1] - one.at[1])),
  );
  return Math.max(0.45, Math.min(1.15, nearest / 2));
}

interface MarkProps {
  readonly room: number;
  readonly at: Point;
  readonly words: string;
  readonly onTurn: () => void;
}

/** A crossing to be turned over by a tap or a key. */
function CrossingMark({ at: [x, y], room, words, onTurn }: MarkProps) {
  return (
    <circle
      className="board-crossing"
      role="button"
      tabIndex={0}
      aria-label={`${words}. Turn it over`}
      data-testid="crossing"
      cx={x}
      cy={-y}
      r={room}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={onTurn}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        event.stopPropagation();
        onTurn();
      }}
    />
  );
}
