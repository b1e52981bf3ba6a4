/** What other packages use of the core, room by room. */
export * from './base/index.js';
export * from './rope/index.js';
export * from './craft/index.js';
export * from './piece/index.js';
export * from './plan/index.js';
export * from './make/index.js';
export * from './view/index.js';
