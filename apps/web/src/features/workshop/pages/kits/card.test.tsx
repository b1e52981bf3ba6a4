import { afterEach, describe, expect, it } from '@jest/globals';
import { templateById, type Piece, type Wearer } from '@coiled-strand/core';
import { cleanup, screen, within } from '@testing-library/react';
import { listen, renderIn } from '../../../../testing';
import { Card } from './card';

const GROWN: Wearer = { name: 'M', wrist: 165, hand: 200, ankle: 215 };
const CHILD: Wearer = { name: 'S', wrist: 138, hand: 165, ankle: 180, child: true };

const piece = (id: string): Piece =>
  templateById(id).make({
    name: 'Comet',
    wearer: GROWN,
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });

function show(id: string, wearers: readonly Wearer[]): HTMLElement {
  listen();
  renderIn(
    {},
    <Card
      piece={piece(id)}
      kit={{ name: 'Comet kit', pieceId: 'p', number: 3, wearerIds: [] } as never}
      wearers={wearers}
      needs={{ cuts: [], things: [] }}
      onBack={() => undefined}
    />,
  );
  return screen.getByTestId('kit-card');
}
const stepOf = (card: HTMLElement, title: string): HTMLElement =>
  within(card)
    .getByText(new RegExp(`^\\d+\\. ${title}`))
    .closest('li')!;

describe('the card of a kit', () => {
  afterEach(() => {
    Reflect.deleteProperty(globalThis, 'fetch');
  });

  it('says how long what is glued has to lie, and what must not be done meanwhile', () => {
    const step = stepOf(show('focal-cord', [GROWN]), 'Glue the ends');
    expect(step.textContent).toContain('Then wait 24 hours while the glue cures. Do not wear it');
  });
  it('says what the plan warns of, with what to do', () => {
    const card = show('focal-cord', [GROWN]);
    expect(within(card).getByText('What to know')).toBeTruthy();
    expect(card.textContent).toMatch(/The loop is tied 3.1 cm round inside.*Try the button/);
  });
  it('warns of children before anything is cut, if any size is for one, also where a larger is not', () => {
    const about = /danger to them|children/;
    const first = (card: HTMLElement): string => card.querySelector('li')!.textContent;
    expect(first(show('large-bead-band', [GROWN]))).not.toMatch(about);
    cleanup();
    const both = show('large-bead-band', [GROWN, CHILD]);
    expect(first(both)).toMatch(about);
    // Each size has its own length, and the pictures show the larger.
    expect(both.textContent).toMatch(/M: .*S: /);
  });
  it('repeats no title, and leaves no empty line where a title says it all', () => {
    const card = show('focal-cord', [GROWN]);
    const step = stepOf(card, 'Pull at the button');
    const lines = [...step.querySelectorAll('p')].map(({ textContent }) => textContent);
    expect(lines).toContain('Its knot does not creep.');
    expect(lines.every((line) => line !== '')).toBe(true);
  });
});
