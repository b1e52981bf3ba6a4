import type { PartStep } from '../kind/part-kind.js';
import type { Caution } from '../kind/step.js';

/** The same step, with what moves in its picture. */
export const moving = (step: PartStep, ...moves: string[]): PartStep => ({ ...step, moves });

/** One action, done once. */
export const once = (title: string, text: string, ...cautions: Caution[]): PartStep => ({
  title,
  text,
  units: 1,
  cautions,
});
