/** What the parts and closures ask the maker for: one description for the form, the checks and the docs. */
interface FieldBase {
  readonly key: string;
  readonly label: string;
  /** Shown only while this holds; its value is kept and checked all the same. */
  readonly when?: (values: Readonly<Record<string, unknown>>) => boolean;
  /** Edited on a drawing of its own and not in the form. */
  readonly drawn?: boolean;
}
export interface LengthField extends FieldBase {
  readonly type: 'length';
  /** In mm. */
  readonly min: number;
  readonly max: number;
  /** null leaves the length to the fit, or to what the closure needs. */
  readonly open?: string;
  /** Cord-sized measures are said in millimetres whatever the maker's unit. */
  readonly small?: boolean;
  /** May be left out, which is as null: older pieces do not have it. */
  readonly optional?: boolean;
}
export interface CountField extends FieldBase {
  readonly type: 'count';
  readonly min: number;
  readonly max: number;
  /** null leaves the count to another field. */
  readonly open?: string;
}
export interface ChoiceField extends FieldBase {
  readonly type: 'choice';
  /** May be left out, which is its first choice: older pieces do not have it. */
  readonly optional?: boolean;
  readonly choices: readonly {
    readonly id: string;
    readonly label: string;
    readonly blurb?: string;
  }[];
}
export interface TextField extends FieldBase {
  readonly type: 'text';
}
export interface ColourField extends FieldBase {
  readonly type: 'colour';
}
/** The id of a bead of the piece. */
export interface BeadField extends FieldBase {
  readonly type: 'bead';
  /** May be left out, and no bead is strung. */
  readonly optional?: boolean;
}
/** A row of ids of beads of the piece, from the start of the part to its end. */
export interface BeadsField extends FieldBase {
  readonly type: 'beads';
}
/** The id of a knot of the piece. */
export interface KnotField extends FieldBase {
  readonly type: 'knot';
}
/** A cord of its own, besides the strands. */
export interface CordField extends FieldBase {
  readonly type: 'cord';
}
/** Numbers of the runs concerned, from 0; null for all that lie there. */
export interface RunsField extends FieldBase {
  readonly type: 'runs';
}
/** Rows of signs of a knotted pattern. */
export interface WeaveField extends FieldBase {
  readonly type: 'weave';
}
/** Numbers of all runs in the order in which they lie, from 0; null for their own order. */
export interface PlacesField extends FieldBase {
  readonly type: 'places';
}
export type Field =
  | LengthField
  | CountField
  | ChoiceField
  | TextField
  | ColourField
  | BeadField
  | BeadsField
  | KnotField
  | CordField
  | RunsField
  | WeaveField
  | PlacesField;

/** Most beads in one row. */
export const MAX_ROW = 400;

/** Names of parts and beads within a piece. */
export const ID_PATTERN = /^[a-z0-9][a-z0-9-]{0,39}$/;

/** Measures of things as they are sold, in millimetres whatever the maker's unit. */
export const sizeField = (
  key: string,
  label: string,
  min: number,
  max: number,
  when?: LengthField['when'],
): LengthField => ({
  type: 'length',
  key,
  label,
  min,
  max,
  small: true,
  ...(when ? { when } : {}),
});

export const countField = (
  key: string,
  label: string,
  min: number,
  max: number,
  open?: string,
): CountField => ({ type: 'count', key, label, min, max, ...(open ? { open } : {}) });

/** @param choices each with its label, and what it means where that is not plain */
export const choiceField = <Id extends string>(
  key: string,
  label: string,
  choices: Readonly<Record<Id, string | readonly [label: string, blurb: string]>>,
  more: Partial<Pick<ChoiceField, 'optional' | 'when' | 'drawn'>> = {},
): ChoiceField => ({
  type: 'choice',
  key,
  label,
  choices: Object.entries<string | readonly [string, string]>(choices).map(([id, said]) =>
    typeof said === 'string' ? { id, label: said } : { id, label: said[0], blurb: said[1] },
  ),
  ...more,
});

/** The same choices where each has its own description elsewhere. */
export const formField = <Id extends string>(
  key: string,
  label: string,
  ids: readonly Id[],
  forms: Readonly<Record<Id, { readonly label: string; readonly blurb?: string }>>,
): ChoiceField => ({
  type: 'choice',
  key,
  label,
  choices: ids.map((id) => {
    const { blurb } = forms[id];
    return { id, label: forms[id].label, ...(blurb === undefined ? {} : { blurb }) };
  }),
});

/** What a thing is called on the list of things to have. */
export const nameField = (label = 'Name'): TextField => ({ type: 'text', key: 'name', label });
export const COLOUR_FIELD: ColourField = { type: 'colour', key: 'colour', label: 'Colour' };
