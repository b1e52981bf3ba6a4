import type { BeadShape } from '../../base/material/bead.js';
import { two } from './svg-path.js';

/** An ellipse about the middle, as path data. */
const ellipse = (rx: number, ry: number): string =>
  `M${two(-rx)} 0A${two(rx)} ${two(ry)} 0 1 1 ${two(rx)} 0A${two(rx)} ${two(ry)} 0 1 1 ${two(-rx)} 0Z`;

/** A box with round corners about the middle, as path data. */
function box(length: number, height: number, r: number): string {
  const [x, y] = [length / 2, height / 2];
  const c = Math.min(r, x, y);
  const arc = (dx: number, dy: number): string =>
    `a${two(c)} ${two(c)} 0 0 1 ${two(dx)} ${two(dy)}`;
  return [
    `M${two(-x + c)} ${two(-y)}H${two(x - c)}${arc(c, c)}`,
    `V${two(y - c)}${arc(-c, c)}H${two(-x + c)}${arc(-c, -c)}V${two(-y + c)}${arc(c, -c)}Z`,
  ].join('');
}

/**
 * Outline of a bead seen from the side, about its middle, its hole along x, in mm.
 *
 * @param length along the cord
 * @param height across it
 */
export function beadPath(shape: BeadShape, length: number, height: number): string {
  const [x, y] = [length / 2, height / 2];
  switch (shape) {
    case 'round':
    case 'oval':
      return ellipse(x, y);
    case 'ring':
    case 'disc':
      return box(length, height, length / 2);
    case 'cube':
      return box(length, height, Math.min(length, height) * 0.14);
    case 'barrel':
      return `M${two(-x)} ${two(-y * 0.72)}Q0 ${two(-y * 1.28)} ${two(x)} ${two(-y * 0.72)}V${two(y * 0.72)}Q0 ${two(y * 1.28)} ${two(-x)} ${two(y * 0.72)}Z`;
    case 'drop':
      return `M${two(-x)} 0C${two(-x * 0.3)} ${two(-y * 0.5)} ${two(-x * 0.1)} ${two(-y)} ${two(x * 0.4)} ${two(-y)}A${two(x * 0.6)} ${two(y)} 0 0 1 ${two(x * 0.4)} ${two(y)}C${two(-x * 0.1)} ${two(y)} ${two(-x * 0.3)} ${two(y * 0.5)} ${two(-x)} 0Z`;
  }
}
