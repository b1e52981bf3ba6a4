import { expect, it } from '@jest/globals';
import { FairTurn } from './fair-turn.js';

/** What is begun, in order, when each is ended before the next begins. */
async function orderOf(wanted: readonly (readonly [who: string, what: string])[], atOnce = 1) {
  const turn = new FairTurn(atOnce);
  const begun: string[] = [];
  let most = 0;
  let now = 0;
  await Promise.all(
    wanted.map(([who, what]) =>
      turn.do(who, async () => {
        most = Math.max(most, ++now);
        begun.push(what);
        await new Promise((done) => setImmediate(done));
        now--;
      }),
    ),
  );
  expect(turn.pending()).toBe(0);
  return { begun, most };
}

it('whoever asks for one thing is not behind a hundred of another’s', async () => {
  const hundred = Array.from({ length: 100 }, (_, i) => ['ona', `ona ${i}`] as const);
  const { begun } = await orderOf([
    ...hundred,
    ['pia', 'pia'],
    ['quin', 'quin 1'],
    ['quin', 'quin 2'],
  ]);
  expect(begun.indexOf('pia')).toBeLessThan(4);
  expect(begun.indexOf('quin 2')).toBeLessThan(8);
  expect(begun.filter((one) => one.startsWith('ona'))).toEqual(hundred.map(([, what]) => what));
  expect(begun).toHaveLength(103);
});

it('so many go on at once, and no more', async () => {
  const many = Array.from({ length: 30 }, (_, i) => [`p${i % 4}`, `${i}`] as const);
  expect((await orderOf(many, 3)).most).toBe(3);
});

it('what fails lets the next go on', async () => {
  const turn = new FairTurn(1);
  const failed = turn.do('ona', () => Promise.reject(new Error('no')));
  const next = turn.do('ona', () => Promise.resolve('yes'));
  await expect(failed).rejects.toThrow('no');
  await expect(next).resolves.toBe('yes');
});
