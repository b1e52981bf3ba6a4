import { Box } from '@chakra-ui/react';
import { svgPath, type SpaceScene } from '@coiled-strand/core';
import { viewBoxOf } from './scene';

interface Props {
  readonly scene: SpaceScene;
  /** What it shows, for whoever hears it; nothing where that is said beside it. */
  readonly label?: string;
  readonly height: number;
}

/** The curves of a scene from above, where nothing can be drawn in space. */
export function FlatScene({ scene, label, height }: Props) {
  return (
    <Box bg="bench" borderRadius="soft">
      <svg
        viewBox={viewBoxOf(scene)}
        style={{ display: 'block', width: '100%', height }}
        {...(label === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      >
        {scene.plates?.map(({ key, outlines, colour }) => (
          <path
            key={key}
            d={svgPath(
              outlines.map((line) => line.map(([u, v]): [number, number] => [u, -v])),
              true,
            )}
            fill={colour}
            fillRule="evenodd"
          />
        ))}
        {scene.cords.map(({ key, line, diameter, colour }) => (
          <polyline
            key={key}
            points={line.map(([u, v]) => `${u},${-v}`).join(' ')}
            fill="none"
            stroke={colour}
            strokeWidth={diameter}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
        {scene.beads.map(({ key, at, length, height: high, colour }) => (
          <ellipse key={key} cx={at[0]} cy={-at[1]} rx={length / 2} ry={high / 2} fill={colour} />
        ))}
      </svg>
    </Box>
  );
}
