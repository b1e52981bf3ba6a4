import { describe, expect, it } from '@jest/globals';
import { runsOf, templateById, type FlossPart, type Piece } from '@coiled-strand/core';
import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { usePiece } from '../piece/piece-store';
import { useStage } from '../piece/stage-context';
import { pieceNow, renderStage } from '../../../testing';
import { TextDialog } from './text-dialog';

const band = (piece: Piece): FlossPart =>
  piece.parts.find((part) => part.kind === 'knotted-floss')!;
const piece = templateById('floss-stripe').make({
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});

function Opened() {
  return <TextDialog part={band(useStage().piece)} onClose={() => undefined} />;
}
const field = (): HTMLTextAreaElement => screen.getByLabelText('Pattern');
const lay = (): HTMLElement => screen.getByRole('button', { name: 'Lay it on the loom' });

describe('the pattern as text', () => {
  it('begins with the band as it is, and lays what is typed', async () => {
    renderStage(piece, <Opened />);
    const user = userEvent.setup();
    expect(field().value).toMatch(/^strands: A/);
    fireEvent.change(field(), {
      target: { value: 'strands: A B B A\nB = #0a5566 Sea\n> <\n >\n> <\n <' },
    });
    expect(screen.getByText(/^4 rows on 4 strands: .*Sea\.$/)).not.toBeNull();
    await user.click(lay());
    expect(band(pieceNow()).rows).toEqual(['><', '>', '><', '<']);
    expect(runsOf(pieceNow())).toHaveLength(4);
    usePiece.getState().undo();
    expect(pieceNow()).toEqual(piece);
  });

  it('names the line that is wrong, and lays nothing', () => {
    renderStage(piece, <Opened />);
    fireEvent.change(field(), { target: { value: '> >\n > ?' } });
    expect(screen.getByRole('alert').textContent).toContain('Line 2: “?” is no knot');
    expect(lay()).toHaveProperty('disabled', true);
  });
});
