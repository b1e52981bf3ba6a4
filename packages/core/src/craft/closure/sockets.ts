import type { ClosureSite } from '../../base/kind/closure-kind.js';
import type { Use } from '../../base/kind/reason.js';
import type { Advice } from '../../base/measure/advice.js';
import { say, size, type Saying } from '../../base/measure/saying.js';
import { useEach } from './uses.js';
import { workingEnds } from '../../base/kind/working-ends.js';

/** Cord in mm that lies inside a socket at both ends, and what it is tried and trimmed by. */
export const socketUses = (
  site: ClosureSite,
  depth: number,
  { code, label, where }: { readonly code: string; readonly label: string; readonly where: Saying },
): Use[] =>
  ['start', 'end'].flatMap(() => [
    ...useEach(
      site.runs,
      { area: 'closure', code, label, detail: say`${size(depth)} in each of the two${where}` },
      depth,
    ),
    ...workingEnds(site.runs, site, 'socket'),
  ]);

/** A socket takes cut ends. */
export const foldAdvice = (site: ClosureSite, code: string, what: string): Advice[] =>
  site.runs.some((run) => run.folded)
    ? [
        {
          code,
          severity: 'error',
          message: `${what} cut ends; here a strand is folded at the start.`,
          remedy: 'Use the strands single.',
          path: 'type',
        },
      ]
    : [];
