/**
 * How much is tried: all of it by `npm run test:deep`, and by `npm test` a sample that finds most of what is broken.
 */
export const deep = (all, sample) => (process.env.DEEP === '1' ? all : sample);
