import { availableParallelism } from 'node:os';
import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../scripts/lib/deep.mjs';
import type { PieceView } from '@coiled-strand/contract';
import { PIECE_FORMAT_VERSION, templateById, type Piece } from '@coiled-strand/core';
import { useTestApp } from '../testing/test-app.js';
import { Planner } from './planner.service.js';

const api = useTestApp();
const band = templateById('floss-stripe').make({
  name: 'x',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});

/** A knotted band over and over, on so many strands. */
function large(parts: number, repeats: number, strands: number): Piece {
  const part = band.parts.find(
    ({ kind }) => kind === 'knotted-floss',
  ) as (typeof band.parts)[number] & {
    rows: readonly string[];
  };
  const full = Math.floor(strands / 2);
  const rows = part.rows.map((row, i) =>
    row[0]!.repeat(i % 2 === 0 || strands % 2 === 1 ? full : full - 1),
  );
  return {
    ...band,
    strands: Array.from({ length: strands }, () => band.strands[0]!),
    parts: Array.from({ length: parts }, (_, i) => ({ ...part, id: `p${i}`, rows, repeats })),
  };
}
const plan = (piece: Piece) =>
  api()
    .post('/api/plan')
    .send({ format: 'coiled-strand/piece', version: PIECE_FORMAT_VERSION, piece });

describe('planning on the server', () => {
  it('refuses what no computer should be asked, and names what is too large', async () => {
    const { status, body } = await plan(large(400, 500, 60));
    expect([status, body.error.code]).toEqual([422, 'piece.too-large']);
    expect(body.error.message).toMatch(/400 parts on 60 strands; part 1 \(.*\) asks for the most/);
    expect(body.error.faults[0].path).toBe('parts[0]');
    // Nor can one be begun, or brought in.
    const stored = (
      await api()
        .post('/api/pieces')
        .send(large(400, 500, 60))
        .expect(201)
    ).body as PieceView;
    const begun = await api().post(`/api/pieces/${stored.id}/makes`).send({});
    expect([begun.status, begun.body.error.code]).toEqual([422, 'piece.too-large']);
  });

  it('goes on answering others while it is at a large one', async () => {
    const started = Date.now();
    let done = 0;
    const heavy = plan(large(16, 100, 60)).then((answer) => {
      done = Date.now() - started;
      return answer;
    });
    // As many looks at the clock as there is time for: none waits for the plan.
    let answered = 0;
    while (done === 0) {
      await api().get('/api/health').expect(200);
      answered++;
    }
    expect((await heavy).status).toBe(200);
    expect(answered).toBeGreaterThan(10);
  });

  it('answers fifty at once', async () => {
    const answers = await Promise.all(Array.from({ length: 50 }, () => plan(band)));
    expect(answers.map(({ status }) => status)).toEqual(Array.from({ length: 50 }, () => 200));
    expect(new Set(answers.map(({ body }) => JSON.stringify(body))).size).toBe(1);
  });

  it('counts no time against a piece while it waits for its turn', async () => {
    // Its time is counted from the moment that its limit is asked for: as many are by then planned as there is room for.
    let done = 0;
    const doneBefore: number[] = [];
    class Counting extends Planner {
      protected override limit(): AbortSignal {
        doneBefore.push(done);
        return super.limit();
      }
    }
    const planner = new Counting();
    const plans = Array.from({ length: 12 }, () =>
      planner.plan({ piece: band, hand: [] }).finally(() => done++),
    );
    expect((await Promise.all(plans)).every(({ ok }) => ok)).toBe(true);
    const threads = Math.max(1, availableParallelism() - 1);
    expect(doneBefore).toHaveLength(12);
    doneBefore.forEach((before, i) => expect(before).toBeGreaterThanOrEqual(i - threads));
    await planner.onModuleDestroy();
  });

  it('is ended at any moment, also while its threads still load, and plans to the end what it was given', async () => {
    // What went wrong was an abort of the whole program, so that nothing after it was run.
    for (let ms = 0; ms < 300; ms += deep(12, 60)) {
      const planner = new Planner();
      const planned = planner.plan({ piece: band, hand: [] });
      await new Promise((resolve) => setTimeout(resolve, ms));
      await planner.onModuleDestroy();
      expect((await planned).ok).toBe(true);
    }
  });
});
