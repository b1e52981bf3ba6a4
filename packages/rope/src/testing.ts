/** What the tests of others use of the rope. Not part of the package. */
export { ownKnotOf } from './board/testing.js';
export { allOf } from './engine/compute.js';
