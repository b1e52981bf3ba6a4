import type { Bounds, Plate, Primitive } from '../../base/kind/primitive.js';
import { beadPath } from '../drawing/bead-path.js';
import { svgPath, two } from '../drawing/svg-path.js';

/** Points nearer to each other than this, in mm, are one. */
const FINEST = 0.03;
/** Share of a cord's width that its middle takes, and how much of its colour its edge has. */
const MIDDLE = 0.82;
const EDGE = 0.45;
/** What a finding is of where nobody says. */
const STEEL = '#8b9297';
/** Colours of what is no cord and no finding: skin, the room round it. */
const FILLS: Readonly<Record<Plate['fill'], string>> = {
  finding: STEEL,
  'finding-recess': '#5b6063',
  stone: STEEL,
  body: '#d9c4b3',
  room: '#f4f5f1',
  range: 'none',
  pass: 'none',
};

/** A colour made darker: so much of it is left. */
function darker(hex: string, share: number): string {
  const part = (i: number): string =>
    Math.round(parseInt(hex.slice(i, i + 2), 16) * share)
      .toString(16)
      .padStart(2, '0');
  return `#${part(1)}${part(3)}${part(5)}`;
}

const escaped = (text: string): string =>
  text.replace(
    /[&<>"']/gu,
    (one) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[one]!,
  );

const path = (d: string, looks: Readonly<Record<string, string | number>>): string =>
  `<path d="${d}"${Object.entries(looks)
    .map(([name, value]) => ` ${name}="${value}"`)
    .join('')}/>`;

function element(shape: Primitive): string {
  switch (shape.kind) {
    case 'cord': {
      const d = svgPath(shape.lines, false, FINEST);
      if (d === '') return '';
      const line = {
        fill: 'none',
        'stroke-linejoin': 'round',
        'stroke-linecap': shape.ends,
      } as const;
      const { diameter, colour } = shape;
      const edge = path(d, {
        ...line,
        stroke: darker(colour, EDGE),
        'stroke-width': two(diameter),
      });
      const middle = path(d, {
        ...line,
        stroke: colour,
        'stroke-width': two(MIDDLE * diameter),
      });
      return `<g${shape.state === 'planned' ? ' opacity="0.45"' : ''}>${edge}${middle}</g>`;
    }
    case 'plate': {
      const line = shape.fill === 'range' || shape.fill === 'pass';
      return path(svgPath(shape.outlines, true, FINEST), {
        fill: line ? 'none' : (shape.colour ?? FILLS[shape.fill]),
        'fill-rule': 'evenodd',
        ...(line
          ? { stroke: '#23569f', 'stroke-width': 0.9, 'stroke-dasharray': '3 2.4' }
          : { stroke: '#00000059', 'stroke-width': 0.4 }),
      });
    }
    case 'bead': {
      const { at, turn, colour, length, height } = shape;
      const degrees = two((turn * 180) / Math.PI);
      return path(beadPath(shape.shape, length, height), {
        transform: `translate(${two(at[0])} ${two(at[1])}) rotate(${degrees})`,
        fill: colour,
        stroke: darker(colour, EDGE),
        'stroke-width': two(Math.min(0.45, height * 0.07)),
        ...(shape.state === 'planned' ? { opacity: 0.45 } : {}),
      });
    }
    case 'arrow': {
      const [tip, before] = [shape.line.at(-1), shape.line.at(-2)];
      if (!tip || !before) return '';
      const turn = two((Math.atan2(tip[1] - before[1], tip[0] - before[0]) * 180) / Math.PI);
      const w = shape.width;
      const line = path(svgPath([shape.line]), {
        fill: 'none',
        stroke: '#23569f',
        'stroke-width': two(w),
        'stroke-linecap': 'round',
      });
      const head = path(`M${two(2.4 * w)} 0L${two(-1.6 * w)} ${two(1.6 * w)}V${two(-1.6 * w)}Z`, {
        transform: `translate(${two(tip[0])} ${two(tip[1])}) rotate(${turn})`,
        fill: '#23569f',
      });
      return line + head;
    }
  }
}

/**
 * A drawing as a file of its own: SVG 1.1, as large as it is, in millimetres.
 *
 * @param title what it shows, for whoever hears it
 * @param bounds what of it is seen, in mm
 */
export function svgOf(
  title: string,
  { x, y, width, height }: Bounds,
  shapes: readonly Primitive[],
): string {
  const [w, h] = [two(width), two(height)];
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="${two(x)} ${two(y)} ${w} ${h}" role="img">`,
    `<title>${escaped(title)}</title>`,
    ...shapes.map(element).filter((one) => one !== ''),
    '</svg>\n',
  ].join('\n');
}
