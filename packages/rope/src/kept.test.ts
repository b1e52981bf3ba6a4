import { describe, expect, it } from '@jest/globals';

import { engineHash, sharedEngine } from '../../../scripts/lib/kept.mjs';

describe('what is kept of knots drawn tight', () => {
  // Another engine finds none of it: every run would compute for minutes, and nobody would see why.
  it('came out of this engine; after a change `npm run knots -- --kept` keeps it anew', () => {
    expect(sharedEngine()).toBe(engineHash());
  });
});
