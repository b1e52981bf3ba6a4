import {
  BEAD_SHAPES,
  CLOSURE_KINDS,
  CORD_KIND_FACTS,
  CORD_KINDS,
  type Field,
} from '@coiled-strand/core';
import type { CopiedListId } from '@coiled-strand/workshop';

export interface Option {
  readonly id: string;
  readonly label: string;
}

/** What stands in the cells of a column. */
export type Holds =
  | { readonly type: 'text' | 'length' | 'number' | 'yes' | 'colour' }
  | { readonly type: 'choice'; readonly choices: readonly Option[] };

/** A column of a list as a table: one value of each thing. */
export interface Column {
  readonly label: string;
  /** Where the value lies in a thing. */
  readonly path: readonly string[];
  readonly holds: Holds;
  /** What else it may be headed with. */
  readonly also?: readonly string[];
  /** Whether a table without it cannot be read. */
  readonly needed?: boolean;
}

const text = { type: 'text' } as const;
const length = { type: 'length' } as const;
const number = { type: 'number' } as const;
const yes = { type: 'yes' } as const;

const column = (
  label: string,
  path: string,
  holds: Holds,
  more: Pick<Column, 'also' | 'needed'> = {},
): Column => ({ label, path: path.split('.'), holds, ...more });

const needed = { needed: true } as const;

const COLOURS: readonly Column[] = [
  column('Colour', 'colour.name', text, needed),
  column('Colour code', 'colour.hex', { type: 'colour' }, { also: ['hex', 'code'] }),
];

/** Closures that are bought. What is tied of a cord of its own is no row of a table. */
export const BOUGHT = CLOSURE_KINDS.filter(({ fields }) =>
  fields.every((field) => holdsOf(field) !== null),
);

/** What is asked for of closures that are bought, each value once. */
function closureColumns(): Column[] {
  const columns = new Map<string, Column>();
  for (const { fields } of BOUGHT) {
    for (const field of fields) {
      const holds = holdsOf(field);
      if (holds === null || field.key === 'name') continue;
      const key = `${field.key} ${field.label}`;
      const other = columns.get(key);
      columns.set(key, {
        label: field.label,
        path: ['closure', field.key],
        holds: other ? joined(other.holds, holds) : holds,
      });
    }
  }
  return [...columns.values()];
}

/** Two fields that are called alike may offer different choices. */
const joined = (a: Holds, b: Holds): Holds =>
  a.type !== 'choice' || b.type !== 'choice'
    ? a
    : {
        type: 'choice',
        choices: [
          ...a.choices,
          ...b.choices.filter(({ id }) => !a.choices.some((c) => c.id === id)),
        ],
      };

function holdsOf(field: Field): Holds | null {
  switch (field.type) {
    case 'length':
      return length;
    case 'count':
      return number;
    case 'choice':
      return { type: 'choice', choices: field.choices };
    case 'colour':
      return { type: 'colour' };
    case 'text':
      return text;
    default:
      return null;
  }
}

const shapes: Holds = {
  type: 'choice',
  choices: BEAD_SHAPES.map((id) => ({ id, label: id })),
};
const kinds: Holds = {
  type: 'choice',
  choices: CORD_KINDS.map((id) => ({ id, label: CORD_KIND_FACTS[id].label })),
};
const types: Holds = {
  type: 'choice',
  choices: BOUGHT.map(({ entry }) => ({ id: entry.type, label: entry.label })),
};

const name = column('Name', 'name', text, needed);

/** What is told of the things on each list. */
export const COLUMNS: Readonly<Record<CopiedListId, readonly Column[]>> = {
  wearers: [
    name,
    column('Wrist', 'wrist', length, needed),
    column('Hand', 'hand', length),
    column('Ankle', 'ankle', length),
    column('Neck', 'neck', length),
    column('Head', 'head', length),
    column('Child', 'child', yes),
    column('Sensitive to', 'allergy', text, { also: ['allergies'] }),
  ],
  cords: [
    name,
    column('Kind', 'kind', kinds, { ...needed, also: ['material'] }),
    column('Diameter', 'diameter', length, { ...needed, also: ['thickness', 'size'] }),
    ...COLOURS,
    column('Drawn tight, of its label', 'effective', number),
    column('Varies by', 'spread', length),
    column('Price of a metre', 'price', number),
  ],
  beads: [
    name,
    column('Shape', 'shape', shapes, needed),
    column('Along the cord', 'length', length, { ...needed, also: ['size', 'diameter'] }),
    column('Across', 'height', length, { also: ['width'] }),
    column('Hole', 'hole', length, { ...needed, also: ['inside', 'bore'] }),
    column('Inside at its longest', 'holeLong', length),
    ...COLOURS,
    column('Heat harms it', 'delicate', yes),
    column('In hand', 'count', number, { also: ['pieces', 'number', 'quantity'] }),
  ],
  fittings: [
    name,
    column('What it is', 'closure.type', types, { ...needed, also: ['type', 'kind'] }),
    column('Called in a piece', 'closure.name', text),
    ...closureColumns(),
  ],
};

/** What a column is headed with when it is written: lengths say that they are in millimetres. */
export const headOf = ({ label, holds }: Column): string =>
  holds.type === 'length' ? `${label} (mm)` : label;
