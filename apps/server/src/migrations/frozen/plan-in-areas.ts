// As plans were on 2026-11-25, and as they are from then on. Frozen: changes to plans do not belong here.

type Dict = Record<string, unknown>;
const isDict = (value: unknown): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const list = (value: unknown): Dict[] => (Array.isArray(value) ? value.filter(isDict) : []);

/** Codes began with where a length goes; half knots were told of both halves by their code. */
function reasonInArea(reason: Dict): Dict {
  const code = String(reason.code);
  return {
    ...reason,
    area: code.split('.')[0],
    ...(code === 'run.given' ? { given: true } : {}),
  };
}

const reasons = (value: unknown): Dict[] => list(value).map(reasonInArea);
const uses = (value: unknown): Dict[] =>
  list(value).map((use) => ({
    ...use,
    reason: isDict(use.reason) ? reasonInArea(use.reason) : use.reason,
  }));
const needs = (value: unknown): Dict[] => list(value).map((need) => ({ id: need.label, ...need }));

/** A cord with its reasons. */
const cut = (cord: Dict): Dict => ({ ...cord, reasons: reasons(cord.reasons) });

/** The layout of a part or of the closure. */
const layout = (value: unknown): unknown => {
  if (!isDict(value)) return value;
  const { findings, ...rest } = value;
  return {
    ...rest,
    uses: uses(rest.uses),
    auxiliary: list(rest.auxiliary).map(cut),
    needs: needs(rest.needs),
    advice: findings ?? rest.advice,
  };
};

/**
 * A plan as it was kept before lengths told their area, in the shape that has them. What is no such plan
 * (a make that was begun before plans were kept whole) becomes null, to be planned again.
 */
export function planInAreas(plan: unknown): unknown {
  if (!isDict(plan) || !isDict(plan.fit)) return null;
  const { findings, fit, parts, strands, auxiliary, closure, counters, ...rest } = plan;
  return {
    ...rest,
    fit: {
      ...fit,
      targetReasons: reasons(fit.targetReasons),
      lengthReasons: reasons(fit.lengthReasons),
    },
    parts: list(parts).map((part) => ({ ...part, layout: layout(part.layout) })),
    closure: layout(closure),
    strands: list(strands).map(cut),
    auxiliary: list(auxiliary).map(cut),
    counters: isDict(counters) ? { ...counters, needs: needs(counters.needs) } : counters,
    advice: findings ?? rest.advice,
  };
}
