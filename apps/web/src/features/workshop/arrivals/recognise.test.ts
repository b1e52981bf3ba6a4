import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE, toPieceFile } from '@coiled-strand/core';
import { recogniseFile, recogniseText } from './recognise';

const piece = JSON.stringify(toPieceFile(EXAMPLE_PIECE));
/** A file as a browser hands it over; the one of the test's page cannot be read. */
const file = (name: string, type: string, text: string, size = text.length): File =>
  ({ name, type, size, text: () => Promise.resolve(text) }) as unknown as File;

describe('what comes in', () => {
  it.each<[string, string, string]>([
    ['the file of a piece', piece, 'piece'],
    ['the same, from an editor that marks its files', `\ufeff \n${piece}`, 'piece'],
    ['JSON that is no piece', '{"format": "other"}', 'bad-piece'],
    ['JSON that is cut off', piece.slice(0, 60), 'bad-piece'],
    ['a pattern', '> <\n >\n> <\n >', 'band'],
    ['a pattern with a fault in it', 'strands: A B C\n> ?', 'band'],
    ['a table of wearers', 'Name,Wrist\nAda,165', 'table'],
    ['words', 'good morning', 'unknown'],
    ['a table of something else', 'Day,Money\n1,2', 'unknown'],
    ['nothing', '', 'unknown'],
  ])('is recognised by what it holds: %s', async (_, text, kind) => {
    expect((await recogniseText('x', text)).kind).toBe(kind);
  });

  it('goes by the name of a file only where it is meant as a table', async () => {
    const table = file('x.csv', 'text/csv', 'Day,Money\n1,2');
    expect((await recogniseFile(table)).kind).toBe('table');
    const broken = await recogniseFile(file('x.csv', 'text/csv', 'Name,Wrist\n"Ada,165'));
    expect(broken.kind === 'unknown' && broken.why).toContain('uot');
  });

  it('takes pictures as they are, and nothing larger than it can be', async () => {
    expect((await recogniseFile(file('x.png', 'image/png', ''))).kind).toBe('picture');
    const large = await recogniseFile(file('x.json', '', piece, 3_000_000));
    expect(large.kind === 'unknown' && large.why).toContain('2 MB');
  });
});
