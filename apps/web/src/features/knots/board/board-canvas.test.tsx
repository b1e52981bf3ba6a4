import { ChakraProvider } from '@chakra-ui/react';
import { crossings, turnOver, withCord, type Board } from '@coiled-strand/core';
import { describe, expect, it } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { system } from '../../../ui/theme/system';
import { BoardCanvas } from './board-canvas';
import { CordsList } from './cords-list';

function Board_({ start }: { readonly start: Board }) {
  const [board, setBoard] = useState(start);
  const [said, setSaid] = useState('');
  return (
    <ChakraProvider value={system}>
      <BoardCanvas
        board={board}
        crossings={crossings(board)}
        wrong={null}
        describedBy=""
        onCord={(cord) => setBoard(withCord(board, cord))}
        onTurn={(name) => setBoard(turnOver(board, name))}
        onSay={setSaid}
      />
      <CordsList board={board} onEdit={setBoard} />
      <p role="status">{said}</p>
    </ChakraProvider>
  );
}

const BLANK: Board = { cords: [], turned: [] };
const CROSSED: Board = {
  cords: [
    [
      [-6, 0],
      [6, 0],
    ],
    [
      [0, -6],
      [0, 6],
    ],
  ],
  turned: [],
};

describe('the board by keys alone', () => {
  it('takes a cord point by point, and takes points back', async () => {
    const user = userEvent.setup();
    render(<Board_ start={BLANK} />);
    screen.getByTestId('board').focus();
    await user.keyboard('{Enter}');
    expect(screen.getByRole('status').textContent).toMatch(/A cord begins at 14 left/);
    await user.keyboard('{Shift>}{ArrowRight}{ArrowRight}{/Shift}{ArrowUp}{Enter}');
    expect(screen.getByRole('status').textContent).toBe('Point 2 at 6 left, 1 up.');
    await user.keyboard('{Backspace}');
    expect(screen.getByRole('status').textContent).toBe('The last point is gone.');
    await user.keyboard('{Enter}{Enter}');
    expect(screen.getAllByTestId('cord')).toHaveLength(1);
    await user.keyboard('{Enter}{Enter}');
    expect(screen.getByRole('status').textContent).toMatch(/Too short/);
    expect(screen.getAllByTestId('cord')).toHaveLength(1);
  });
  it('turns a crossing over, and says which cord lies on top', async () => {
    const user = userEvent.setup();
    render(<Board_ start={CROSSED} />);
    const crossing = () => screen.getByTestId('crossing');
    expect(crossing().getAttribute('aria-label')).toMatch(/cord 2 lies over cord 1/);
    crossing().focus();
    await user.keyboard(' ');
    expect(crossing().getAttribute('aria-label')).toMatch(/cord 1 lies over cord 2/);
  });
  it('makes a cord a core, puts a bead on another, and takes them away', async () => {
    const user = userEvent.setup();
    render(<Board_ start={CROSSED} />);
    await user.click(screen.getAllByRole('checkbox', { name: 'Core' })[0]!);
    expect(screen.getByText('Core 1')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Put a bead on cord 2' }));
    expect(screen.getByTestId('bead-on-cord')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Take core 1 away' }));
    expect(screen.getAllByTestId('cord')).toHaveLength(1);
    // The bead stays on the cord that it was put on, which is the first now.
    expect(screen.getByTestId('bead-on-cord')).toBeTruthy();
    expect(screen.queryByTestId('crossing')).toBeNull();
  });
});
