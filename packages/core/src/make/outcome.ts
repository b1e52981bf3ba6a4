import type { Plan, StrandPlan } from '../plan/plan-types.js';

/** What the maker measured when the piece was finished. Lengths in mm. */
export interface MakeRecord {
  /** Per strand, in cut-list order. */
  readonly cords: readonly {
    /** Length cut. */
    readonly cut: number;
    /** All that was left over: trimmed tails and offcut. */
    readonly leftover: number;
  }[];
  /** Finished length of the parts, without the closure. */
  readonly length: number;
  readonly minutes: number;
}

export interface Compared {
  readonly label: string;
  readonly predicted: number;
  readonly actual: number;
  /** actual / predicted - 1 */
  readonly off: number;
}

export interface Outcome {
  /** Cord kept in the piece, per strand. */
  readonly cords: readonly Compared[];
  readonly length: Compared;
  /** This hand's cord per knot / the model's, from this make; null when no strand ties knots. */
  readonly takeUp: number | null;
}

const compare = (label: string, predicted: number, actual: number): Compared => ({
  label,
  predicted,
  actual,
  off: actual / predicted - 1,
});

/** Lengths of a strand by what they do: fixed ends, straight runs, and knots, which a hand varies. */
function splitOf(strand: StrandPlan): { fixed: number; run: number; knots: number } {
  const sum = (area: RegExp): number =>
    strand.reasons.filter((r) => area.test(r.code)).reduce((total, r) => total + r.mm, 0);
  return { fixed: sum(/^(start|closure)\./), run: sum(/^run\./), knots: sum(/^knot\./) };
}

/**
 * Predicted against actual. The take-up factor is what the knots really took per finished length over
 * what the model says: fixed lengths and straight runs are taken off first, runs and knots scaled to
 * the length that came out.
 *
 * @throws RangeError when the record has another number of strands than the plan
 */
export function compareOutcome(plan: Plan, record: MakeRecord): Outcome {
  if (record.cords.length !== plan.strands.length) {
    throw new RangeError(
      `the plan has ${plan.strands.length} cords, the record ${record.cords.length}`,
    );
  }
  const scale = record.length / plan.fit.length;
  let modelled = 0;
  let measured = 0;
  const cords = plan.strands.map((strand, i) => {
    const { cut, leftover } = record.cords[i]!;
    const used = cut - leftover;
    const { fixed, run, knots } = splitOf(strand);
    if (knots > 0) {
      modelled += knots * scale;
      measured += used - fixed - run * scale;
    }
    return compare(`Cord ${strand.number}`, strand.kept, used);
  });
  return {
    cords,
    length: compare('Length', plan.fit.length, record.length),
    takeUp: modelled > 0 && measured > 0 ? measured / modelled : null,
  };
}
