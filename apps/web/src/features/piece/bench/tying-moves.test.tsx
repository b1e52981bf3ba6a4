import { describe, expect, it, jest } from '@jest/globals';
import { EXAMPLE_PIECE, tyingShown } from '@coiled-strand/core';
import { act, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { renderIn } from '../../../testing';
import { TyingMoves } from './tying-moves';

const shown = tyingShown(
  EXAMPLE_PIECE,
  { tied: [{ tying: 'overhand', mirrored: false, strands: [1] }] },
  0,
)!;

/** Which of the pictures have a cord that goes in along its way. */
const playing = (): boolean[] =>
  screen.getAllByTestId('move-picture').map((one) => one.querySelector('.going-in') !== null);

function Slowly() {
  const [slow, setSlow] = useState(0);
  return (
    <>
      <button onClick={() => setSlow(slow + 1)}>Slowly</button>
      <TyingMoves shown={shown} slow={slow} />
    </>
  );
}

describe('how a knot is tied', () => {
  it('is told from what lies there to how it is drawn up', () => {
    renderIn({}, <TyingMoves shown={shown} />);
    const told = screen.getByRole('list', { name: 'Overhand knot, move by move' });
    expect(told.textContent).toBe(
      [
        shown.ground.join(' '),
        ...shown.moves.map(({ text }, i) => `${i + 1}. ${text}`),
        shown.drawUp.join(' '),
      ].join(''),
    );
    expect(playing()).toEqual([false, false, false]);
  });
  it('is shown slowly one move after the other, and once more when it is asked again', () => {
    jest.useFakeTimers();
    renderIn({}, <Slowly />);
    const slowly = (): void => void fireEvent.click(screen.getByRole('button'));
    slowly();
    const seen = [playing()];
    for (let i = 0; i < 3; i++) {
      act(() => jest.runOnlyPendingTimers());
      seen.push(playing());
    }
    expect(seen).toEqual([
      [true, false, false],
      [false, true, false],
      [false, false, true],
      [false, false, false],
    ]);
    slowly();
    expect(playing()).toEqual([true, false, false]);
    jest.useRealTimers();
  });
});
