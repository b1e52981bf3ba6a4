import { describe, expect, it } from '@jest/globals';
import { skeletonOf } from './look-alike.js';

describe('a name looks like', () => {
  it.each([
    ['Marit Solheim', 'marit  solheim'],
    ['Marit Solheim', 'Маrіt Sоlhеіm'], // Cyrillic letters among Latin ones
    ['Marit Solheim', 'Márit Solheim'],
    ['Marit Solheim', 'Marit-Solheim.'],
    ['Oluchi', '0luchi'],
    ['Carl', 'CarI'],
    ['Amos', 'Arnos'],
    ['ﬁnn', 'Finn'],
  ])('%s: %s', (one, other) => {
    expect(skeletonOf(other)).toBe(skeletonOf(one));
  });
  it.each([
    ['Marit', 'Maria'],
    ['Ines Varga', 'Ines Varda'],
    ['Ådne', 'Arne'],
    ['Мария', 'Дария'],
    ['李雷', '李梅'],
  ])('%s: not %s', (one, other) => {
    expect(skeletonOf(other)).not.toBe(skeletonOf(one));
  });
});
