/** A module of its own: what hands need to try a plan is fetched when something is there to be tried. */
export { tryPlan } from '@coiled-strand/core';
