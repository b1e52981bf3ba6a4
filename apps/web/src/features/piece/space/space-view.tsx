import { Box, Flex, Text } from '@chakra-ui/react';
import type { SpaceScene } from '@coiled-strand/core';
import { FlipHorizontal2, Home, ZoomIn, ZoomOut } from 'lucide-react';
import {
  memo,
  useRef,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  type WheelEvent,
} from 'react';
import { ToolButton } from '../../../ui/shell/tool-button';
import { Stage } from './stage';
import { FROM_ABOVE, lookByKey, nearer, turned, useLook } from './view-store';
import { drawsInSpace } from './webgl';

interface Props {
  readonly scene: SpaceScene;
  /** What it shows, for whoever hears it. */
  readonly label: string;
  readonly height: number | string;
  readonly frame?: readonly [number, number];
  /** Whether it changes by itself just now. */
  readonly passing?: boolean;
  /** What is shown where this browser cannot draw in space. */
  readonly flat: ReactNode;
  /** What else can be done with it, beside the tools for looking. */
  readonly children?: ReactNode;
}

/** From where it is looked at. Stays as it is while what is looked at changes many times a second. */
const Tools = memo(function Tools() {
  const change = useLook((state) => state.change);
  return (
    <>
      <ToolButton label="From behind" onClick={() => change((look) => turned(look, 180, 0))}>
        <FlipHorizontal2 size={18} />
      </ToolButton>
      <ToolButton label="Nearer" onClick={() => change((look) => nearer(look, 1.25))}>
        <ZoomIn size={18} />
      </ToolButton>
      <ToolButton label="Further away" onClick={() => change((look) => nearer(look, 0.8))}>
        <ZoomOut size={18} />
      </ToolButton>
      <ToolButton label="From above again" onClick={() => change(() => FROM_ABOVE)}>
        <Home size={18} />
      </ToolButton>
    </>
  );
});

/** Degrees that a drag across so many pixels turns it. */
const DEGREES = 0.5;

/** Something in space, to be turned by finger, mouse and keys. */
export function SpaceView({ scene, label, height, frame, passing = false, flat, children }: Props) {
  const { look, change } = useLook();
  const held = useRef<readonly [number, number] | null>(null);
  if (!drawsInSpace()) {
    return (
      <Box>
        {flat}
        <Text fontSize="sm" color="muted" mt="2" role="note">
          This browser does not draw in space (WebGL 2 is missing or switched off): this is the flat
          drawing of the same curves.
        </Text>
      </Box>
    );
  }
  const down = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    held.current = [event.clientX, event.clientY];
  };
  const move = (event: PointerEvent): void => {
    if (!held.current) return;
    const [x, y] = held.current;
    held.current = [event.clientX, event.clientY];
    change((now) => turned(now, -(event.clientX - x) * DEGREES, (event.clientY - y) * DEGREES));
  };
  const press = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const next = lookByKey(look, event.key);
    if (!next) return;
    event.preventDefault();
    event.stopPropagation();
    change(() => next);
  };
  const wheel = (event: WheelEvent): void => {
    // The page scrolls as ever; with Ctrl held, or pinched on a pad, it comes nearer.
    if (event.ctrlKey) change((now) => nearer(now, Math.exp(-event.deltaY / 300)));
  };
  return (
    <Box>
      <Box
        role="application"
        aria-roledescription="view in space"
        aria-label={`${label}. Arrow keys turn it, plus and minus come nearer and go back, B shows it from behind, Home from above again.`}
        tabIndex={0}
        data-testid="space"
        h={typeof height === 'number' ? `${height}px` : height}
        bg="bench"
        borderRadius="soft"
        overflow="hidden"
        cursor="grab"
        css={{ touchAction: 'pan-y', _active: { cursor: 'grabbing' } }}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={() => (held.current = null)}
        onPointerCancel={() => (held.current = null)}
        onKeyDown={press}
        onWheel={wheel}
      >
        <Stage scene={scene} look={look} passing={passing} {...(frame ? { frame } : {})} />
      </Box>
      <Flex gap="1" mt="1" align="center" flexWrap="wrap">
        <Tools />
        {children}
      </Flex>
    </Box>
  );
}
