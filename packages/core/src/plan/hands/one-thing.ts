import type { Action, CordId } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import type { Need } from './need.js';
import { refuse } from './refusal.js';
import type { CordState, Table } from './table.js';

/** The cords that an action makes one thing of, by their names; of those that only go through a bead together, none. */
function joins(action: Action): CordId[] {
  switch (action.do) {
    case 'tie':
      // A knot of a technique's own is tied over what lies along it; any other only passes that by.
      return [
        ...action.by,
        ...(action.round ?? []),
        ...((action.knot.form === 'own' && action.beside) || []),
      ].map(({ cord }) => cord);
    case 'plait':
      return action.bundles.flat().map(({ cord }) => cord);
    case 'petal':
      return [...action.legs, ...(action.round ?? [])].map(({ cord }) => cord);
    case 'wind':
      return [action.cord, ...action.round.map(({ cord }) => cord)];
    case 'join':
    case 'crimp':
    case 'cap':
      return action.ends.map(({ cord }) => cord);
    case 'pass':
      // Through a knot of its own cord, which is drawn tight on them.
      return action.through === 'knot' ? action.ends.map(({ cord }) => cord) : [];
    case 'put-on':
      return action.on.map(({ cord }) => cord);
    default:
      return [];
  }
}

/** The thing that cords are fastened to in an action, which joins all that are fastened to it. */
function thing(action: Action): string | null {
  const place = 'place' in action ? action.place : '';
  if (action.do === 'tie') return action.to === undefined ? null : `${place} ${action.to}`;
  if (action.do === 'put-on') return `${place} ${action.finding}`;
  return action.do === 'crimp' || action.do === 'cap' ? action.finding : null;
}

/** Cords that are fastened to one another are one thing from then on. */
export function fasten(table: Table, action: Action): void {
  const cords = joins(action);
  const own = thing(action);
  const names: CordId[] = own === null ? cords : [...cords, `on ${own}`];
  const [first, ...rest] = names;
  if (first === undefined) return;
  const to = rootOf(table, first);
  for (const other of rest) table.fastened.set(rootOf(table, other), to);
}

/** The one that stands for all that hang together with this. */
function rootOf({ fastened }: Table, name: CordId): CordId {
  let root = name;
  for (
    let next = fastened.get(root);
    next !== undefined && next !== root;
    next = fastened.get(root)
  ) {
    root = next;
  }
  return root;
}

/** Whether anything was made with a cord yet. */
const worked = ({ along }: Table, { id }: CordState): boolean =>
  [...along].some(
    ([leg, items]) => leg.startsWith(`${id}/`) && items.some(({ what }) => what !== 'length'),
  );

/**
 * All cords that stay in the piece hang together: those that anything was made with as soon as it is tried on with its
 * ends held together, be it by clips, and all when it is done.
 */
export function hangsTogether(table: Table, done = false): Need {
  const [first, ...rest] = [...table.cords.values()].filter(
    (own) => own.cord !== null && typeof own.id === 'number' && (done || worked(table, own)),
  );
  // Where the clips on the ends are one thing for all, so is what hangs on them.
  const clipped = new Set([...table.clipped.values()].map(({ end }) => rootOf(table, end.cord)));
  const [inClip] = clipped;
  const thing = (id: CordId): CordId => {
    const root = rootOf(table, id);
    return clipped.has(root) ? inClip! : root;
  };
  const lone = first && rest.find(({ id }) => thing(id) !== thing(first.id));
  return lone
    ? refuse(
        'not-fast',
        say`Nothing joins ${lone.called} to the rest: tie a knot in all cords, or whip them.`,
      )
    : null;
}

/** A cord that ties is held somewhere: fixed to the board, laid in, or tied to something already. */
export function heldSomewhere(table: Table, cord: CordId): boolean {
  const own = table.cords.get(cord)!;
  const anchored = table.held === 'board' && !own.laidIn;
  return anchored || typeof cord === 'string' || own.joinedIn || worked(table, own);
}
