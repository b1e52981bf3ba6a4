import { PRACTICE_LABELS, type Practice } from '@coiled-strand/core';

/** Steps makers round cuts to, in mm. */
export const STEPS = [
  { value: 5, label: '5 mm' },
  { value: 10, label: '1 cm' },
  { value: 50, label: '5 cm' },
  { value: 6.35, label: '1/4 in' },
  { value: 25.4, label: '1 in' },
] as const;

/** How practised the hands are: what a bulky knot is given to work with. */
export const PRACTICE_CHOICES: readonly { value: Practice; label: string; detail: string }[] = [
  { value: 'learner', label: PRACTICE_LABELS.learner, detail: 'long ends to tie with' },
  { value: 'practised', label: PRACTICE_LABELS.practised, detail: 'the usual ends' },
  { value: 'expert', label: PRACTICE_LABELS.expert, detail: 'short ends' },
];

export const CONFIDENCES = [
  { value: 0.9, label: '90 in 100' },
  { value: 0.95, label: '95 in 100' },
  { value: 0.99, label: '99 in 100' },
] as const;
