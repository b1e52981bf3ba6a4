import { beforeAll, describe, expect, it } from '@jest/globals';
import type {
  ForgottenWearerView,
  MakePlanView,
  MakeView,
  PageView,
  PieceView,
  UsesView,
  VersionView,
  WearerView,
} from '@coiled-strand/contract';
import { templateById, type Wearer } from '@coiled-strand/core';
import { reading } from '../testing/ground.js';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();
const read = reading(api);

const addWearer = async (value: Wearer): Promise<WearerView> =>
  (await api().post('/api/wearers').send(value).expect(201)).body as WearerView;
const cutting = { confidence: 0.95, step: 10, practice: 'practised' } as const;
/** A bracelet for somebody, as the page lays it out: with a copy of what the list says of them. */
async function addPiece(name: string, wearer: Wearer): Promise<PieceView> {
  const piece = templateById('buckle-band').make({ name, wearer, cutting });
  return (await api().post('/api/pieces').send(piece).expect(201)).body as PieceView;
}
const begin = async ({ id }: PieceView): Promise<MakeView> =>
  (await api().post(`/api/pieces/${id}/makes`).send({}).expect(200)).body as MakeView;
const forget = async ({ id }: WearerView): Promise<ForgottenWearerView> =>
  (await api().post(`/api/wearers/${id}/forget`).expect(200)).body as ForgottenWearerView;

describe('forgetting a wearer', () => {
  it('leaves neither name nor health in a plan that was frozen when its make was begun', async () => {
    const wearer = await addWearer({ name: 'Solveig Moe', wrist: 151, allergy: 'chromium' });
    const piece = await addPiece('Frozen', wearer.value);
    const make = await begin(piece);
    const before = await read<MakePlanView>(`makes/${make.id}/plan`);
    expect(before.plan.advice.map(({ code }) => code)).toContain('wearer.allergy');
    expect(await forget(wearer)).toMatchObject({ pieces: 1, makes: 1, mentions: [] });
    for (const path of [
      `makes/${make.id}/plan`,
      `makes/${make.id}`,
      `pieces/${piece.id}`,
      `pieces/${piece.id}/file`,
      `pieces/${piece.id}/versions`,
    ]) {
      const text = JSON.stringify(await read(path));
      expect([path, /Solveig|Moe|chromium/.test(text)]).toEqual([path, false]);
    }
    const { plan } = await read<MakePlanView>(`makes/${make.id}/plan`);
    // The cuts are what they were: they rest on the girth, which stays.
    expect(plan.strands).toEqual(before.plan.strands);
  });

  describe('where two have one name', () => {
    let one: WearerView;
    let other: WearerView;
    let ofOne: PieceView;
    let ofOther: PieceView;
    let madeForOther: MakeView;
    let result: ForgottenWearerView;
    beforeAll(async () => {
      one = await addWearer({ name: 'Kim Hall', wrist: 148, allergy: 'nickel' });
      other = await addWearer({ name: 'Kim Hall', wrist: 177, allergy: 'latex' });
      ofOne = await addPiece('Of the one', one.value);
      ofOther = await addPiece('Of the other', other.value);
      await begin(ofOne);
      madeForOther = await begin(ofOther);
      result = await forget(one);
    });
    it('forgets the one that was meant', async () => {
      const { piece } = await read<PieceView>(`pieces/${ofOne.id}`);
      expect(piece.wearer).toEqual({ name: 'Forgotten', wrist: 148 });
      expect(result).toMatchObject({ pieces: 1, makes: 1 });
    });
    it('leaves piece, make and versions of the other as they were', async () => {
      const { piece, version } = await read<PieceView>(`pieces/${ofOther.id}`);
      expect(piece.wearer).toEqual({
        name: 'Kim Hall',
        wrist: 177,
        allergy: 'latex',
        origin: other.id,
      });
      expect(version).toBe(ofOther.version);
      const make = await read<MakeView>(`makes/${madeForOther.id}`);
      expect(make.piece.wearer).toEqual(piece.wearer);
      const { plan } = await read<MakePlanView>(`makes/${madeForOther.id}/plan`);
      expect(plan.advice.map(({ code }) => code)).toContain('wearer.allergy');
      const { items } = await read<PageView<VersionView>>(`pieces/${ofOther.id}/versions`);
      expect(items.every(({ piece: { wearer } }) => wearer.origin === other.id)).toBe(true);
    });
    it('shows where the name still stands', () => {
      expect(result.mentions.map(({ name }) => name)).toEqual(
        expect.arrayContaining(['Of the other']),
      );
    });
  });

  it('forgets who has a make that was made for somebody else', async () => {
    const { items } = await read<PageView<MakeView>>('makes?state=logged');
    const make = items[0]!;
    const wearer = await addWearer({ name: 'Ravn Dahl', wrist: 170 });
    const record = { ...make.record!, owner: 'Ravn Dahl', ownerId: wearer.id };
    await api().put(`/api/makes/${make.id}/log`).send(record).expect(200);
    await forget(wearer);
    const now = await read<MakeView>(`makes/${make.id}`);
    expect(now.record).toMatchObject({ owner: '' });
    expect(now.record).not.toHaveProperty('ownerId');
    expect(now.piece.wearer).toEqual(make.piece.wearer);
  });
});

describe('what refers to a thing on a list', () => {
  it('refers to it by its id: two beads of one name have their own uses', async () => {
    const bead = (await read<{ value: object }[]>('beads'))[0]!.value;
    const add = async (length: number) =>
      (
        await api()
          .post('/api/beads')
          .send({ ...bead, name: 'Moonstone', length })
          .expect(201)
      ).body as { id: string; value: { name: string } };
    const small = await add(6);
    const large = await add(12);
    const piece = templateById('beaded-band').make({
      name: 'With the large one',
      wearer: { name: 'Somebody', wrist: 165 },
      cutting,
    });
    const beads = piece.beads.map((own) => ({ ...large.value, id: own.id }));
    await api()
      .post('/api/pieces')
      .send({ ...piece, beads })
      .expect(201);
    const uses = (id: string) => read<UsesView>(`beads/${id}/uses`);
    expect((await uses(large.id)).named).toMatchObject([
      { in: 'piece', name: 'With the large one' },
    ]);
    expect((await uses(small.id)).total).toBe(0);
  });
  it('keeps no id of another thing on the list itself', async () => {
    const wearer = await addWearer({
      name: 'A copy of a copy',
      wrist: 160,
      origin: '0b0e4bd4-4b52-4f3e-9a53-1f5f1d5d0001',
    });
    expect(wearer.value.origin).toBe(wearer.id);
  });
});
