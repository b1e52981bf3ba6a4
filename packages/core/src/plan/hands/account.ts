import type { Trial } from '../../base/action/action.js';
import { closureKind } from '../../craft/closure/registry.js';
import { laid, say } from '../../base/measure/saying.js';
import { checkKnotsAtHoles } from '../knots-at-holes.js';
import { tryOnPlace } from '../try-on-place.js';
import { unfinishedEnd } from './finished.js';
import { hangsTogether } from './one-thing.js';
import { joined } from './rules-looks.js';
import { endCalled, ONLY_CLIPPED, refuse, type Refusal } from './refusal.js';
import { workOf } from './share.js';
import { legKey, THREAD, type Table } from './table.js';
import { NEAR, plannedWork } from './worked.js';
import { checksOf, LAST_CHECK } from './wanted.js';

function cords(table: Table): Refusal[] {
  const planned = plannedWork(table);
  return [...table.cords.values()].flatMap((cord): Refusal[] => {
    if (cord.id === THREAD) {
      return table.threadUsed ? [] : [refuse('unused', 'The thread to pull by is never used.')];
    }
    if (!cord.cut) return [refuse('unused', say`${cord.called} is never cut.`)];
    if (cord.slack)
      return [refuse('unfinished', say`The slack in ${cord.called} is not taken up.`)];
    if (cord.given) return [];
    return Array.from({ length: cord.legs }, (_, half) => half as 0 | 1).flatMap((half) => {
      const off = cord.used[half] - (planned.get(legKey({ cord: cord.id, half })) ?? 0);
      if (Math.abs(off) <= NEAR) return [];
      const much = laid(Math.abs(off));
      return [
        refuse(
          'differs',
          say`${cord.called} takes ${much} ${off > 0 ? 'more' : 'less'} than it was cut for.`,
        ),
      ];
    });
  });
}

function parts(table: Table): Refusal[] {
  return table.parts.flatMap((placed): Refusal[] => {
    const off = [...workOf(placed)].some(
      ([leg, mm]) => Math.abs((table.advanced.get(`${placed.id}|${leg}`) ?? 0) - mm) > NEAR,
    );
    return off ? [refuse('differs', 'A part is not as long as it was planned.')] : [];
  });
}

function order(table: Table): Refusal[] {
  const wrong = [...table.along.values()].some((items) =>
    items.some(({ rank }, i) => i > 0 && rank < items[i - 1]!.rank),
  );
  return wrong ? [refuse('out-of-order', 'The parts do not lie in their order.')] : [];
}

function beads(table: Table): Refusal[] {
  const left = [...table.beads.values()].filter((own) => own.left > 0);
  const wrong = table.parts.some(({ id, site, layout }) => {
    const strung = table.strung.filter(({ place }) => place === id);
    const rest = [...strung];
    return layout.beads.some((bead) => {
      const legs = bead.on?.map((index) => {
        const run = site.runs.find((own) => own.index === index)!;
        return legKey({ cord: run.strand, half: run.half });
      });
      const wanted = legs && [...new Set(legs)].sort().join();
      const at = rest.findIndex(
        (own) =>
          own.bead === bead.id &&
          (wanted === undefined || own.legs.join() === wanted) &&
          Math.abs(own.at - bead.at) <= own.within,
      );
      if (at < 0) return true;
      rest.splice(at, 1);
      return false;
    });
  });
  return [
    ...left.map(({ bead, left: n }) =>
      refuse('unused', say`${n} of ${bead.name} are never strung.`),
    ),
    ...(table.waiting.length > 0 ? [refuse('unfinished', 'Beads lie loose on a cord.')] : []),
    ...(wrong
      ? [refuse('differs', 'Beads do not lie where they were planned, or not on their cords.')]
      : []),
  ];
}

const findings = (table: Table): Refusal[] =>
  [...table.findings.values()].flatMap(({ called, count, used, open }) => [
    ...(used < count - 1e-6 ? [refuse('unused', say`${called} is never used.`)] : []),
    ...(open > 0 ? [refuse('unfinished', say`${called} is left open.`)] : []),
  ]);

/** As near as two sums of shares of one come. */
const SUM = 1e-9;

function looks(table: Table): Refusal[] {
  const { piece, plan } = table;
  const trials: readonly Trial[] = [
    ...(closureKind(piece.closure.type).entry.trials ?? []),
    ...(joined(table) ? (['holds'] as const) : []),
  ];
  const untried = trials.filter((what) => !table.tested.has(what));
  const wanted = [...checksOf(piece, plan).map(({ id }) => id), LAST_CHECK];
  const place = tryOnPlace(piece, plan);
  const share = table.laidRound;
  // Both sides add their shares up in another order.
  const early = place !== null && share !== null && share < place.least - SUM;
  const late = place !== null && share !== null && share > place.most + SUM;
  return [
    ...untried.map(() => refuse('not-tried', 'Something is not tried while it can be put right.')),
    ...(wanted.every((id) => table.checked.has(id))
      ? []
      : [refuse('unfinished', 'It is not looked over to the end.')]),
    ...(place !== null && (share === null || early || late)
      ? [refuse('not-tried', 'It is not laid round once while there is enough left to tie.')]
      : []),
    ...(place === null && share !== null ? [refuse('idle', 'It is laid round without need.')] : []),
    ...(table.triedClosed ? [] : [refuse('not-tried', 'It is not tried on when it is closed.')]),
  ];
}

/** What the finished piece on the table does not have in common with the plan; empty when all is well. */
export function account(table: Table): Refusal[] {
  const { plan } = table;
  const end = unfinishedEnd(table);
  const apart = hangsTogether(table, true);
  return [
    ...cords(table),
    ...parts(table),
    ...order(table),
    ...beads(table),
    ...findings(table),
    ...(end ? [refuse('unfinished', say`${endCalled(table, end)} is not finished.`)] : []),
    ...(table.held === 'board' ? [refuse('still-held', 'The work is still on the board.')] : []),
    ...checkKnotsAtHoles(plan.parts).map(({ message }) => refuse('not-fast', message)),
    ...(apart ? [apart] : []),
    ...(table.clipped.size > 0 ? [refuse('not-fast', ONLY_CLIPPED)] : []),
    ...(table.wet ? [refuse('wet', 'Something has not been let lie.')] : []),
    ...looks(table),
  ];
}
