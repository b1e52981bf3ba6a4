/** How practised the hands are: how much spare end they need to tie a bulky knot. */
export const PRACTICES = ['learner', 'practised', 'expert'] as const;
export type Practice = (typeof PRACTICES)[number];

export const PRACTICE_LABELS: Readonly<Record<Practice, string>> = {
  learner: 'Learning',
  practised: 'Practised',
  expert: 'Expert',
};

/** Share of the usual working allowance that each needs. Assumed; a maker's own log tells better. */
export const PRACTICE_FACTOR: Readonly<Record<Practice, number>> = {
  learner: 1.5,
  practised: 1,
  expert: 0.6,
};
