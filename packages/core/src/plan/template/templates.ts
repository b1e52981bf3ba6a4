import { BRACELETS } from './bracelets.js';
import { CROSSED } from './crossed.js';
import type { Template } from './draft.js';
import { NECKLACES } from './necklaces.js';

export type { PieceStart, Template } from './draft.js';

/** Every template, by what the maker wants to make. */
export const TEMPLATES: readonly Template[] = [...BRACELETS, ...CROSSED, ...NECKLACES];

const BY_ID = new Map(TEMPLATES.map((template) => [template.id, template]));

/** @throws RangeError for an id that no template has */
export function templateById(id: string): Template {
  const template = BY_ID.get(id);
  if (!template) throw new RangeError(`there is no template “${id}”`);
  return template;
}
