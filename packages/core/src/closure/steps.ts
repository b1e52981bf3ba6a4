import type { PartStep } from '../face/part-kind.js';
import type { Caution } from '../face/step.js';

/** One action, done once. */
export const once = (title: string, text: string, ...cautions: Caution[]): PartStep => ({
  title,
  text,
  units: 1,
  cautions,
});
