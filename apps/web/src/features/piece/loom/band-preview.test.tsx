import { describe, expect, it } from '@jest/globals';
import { readyPattern, templateById, type FlossPart } from '@coiled-strand/core';
import { renderIn } from '../../../testing';
import { BandPreview } from './band-preview';

describe('a piece of a band, as it will be', () => {
  const piece = templateById('floss-chevron').make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
  const folded = piece.parts.find((part) => part.kind === 'knotted-floss')!;
  const colours = readyPattern('chevron').make({ strands: 10, colours: 5 }).colours;
  const cords = colours.map((colour) => piece.strands[colour]!.cord);
  const drawn = (part: FlossPart): string =>
    renderIn({}, <BandPreview part={part} cords={cords} height={40} />).container.innerHTML;

  it('has the cords at the places they are given for, however the strands of the piece lie', () => {
    expect(folded.order).not.toBeNull();
    expect(drawn(folded)).toBe(drawn({ ...folded, order: null }));
  });
});
