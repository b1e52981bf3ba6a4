import type { CordKind } from '../base/material/cord.js';
import type { AuxiliaryPlan, Plan, StrandPlan } from './plan-types.js';

/** An end that fingers tie with. Lengths in mm. */
export interface FingerEnd {
  readonly cord: CordKind;
  readonly mm: number;
  /** What practised hands are given, whatever is known of these. */
  readonly usual: number;
}

const endsOf = ({
  cord,
  reasons,
}: Pick<StrandPlan | AuxiliaryPlan, 'cord' | 'reasons'>): FingerEnd[] =>
  reasons.flatMap(({ fingers, times, hand }) =>
    cord && fingers && times
      ? [{ cord: cord.kind, mm: times.each, usual: times.each / (hand?.factor ?? 1) }]
      : [],
  );

/** The shortest end that is planned to be tied with; null where ends are only trimmed. */
export function shortestEnd({ strands, auxiliary }: Plan): FingerEnd | null {
  const all = [...strands.filter(({ given }) => !given), ...auxiliary].flatMap(endsOf);
  return all.length === 0 ? null : all.reduce((a, b) => (b.usual < a.usual ? b : a));
}
