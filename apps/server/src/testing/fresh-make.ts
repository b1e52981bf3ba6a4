import type { MakePlanView, MakeView, PageView, PieceView } from '@coiled-strand/contract';
import { stepPlaceOf, type StepPlace } from '@coiled-strand/core';
import type { useTestApp } from './test-app.js';

type Api = ReturnType<typeof useTestApp>;

/** So many actions of a make done, as its progress is told. */
export const after = async (
  api: Api,
  { id }: Pick<MakeView, 'id'>,
  done: number,
): Promise<{ at: StepPlace }> => {
  const { steps } = (await api().get(`/api/makes/${id}/plan`).expect(200)).body as MakePlanView;
  return { at: stepPlaceOf(steps, done) };
};

export const freshMake = async (api: Api): Promise<MakeView> => {
  const laid = (await api().get('/api/pieces?sort=laid')).body as PageView<PieceView>;
  const copy = await api().post('/api/pieces').send(laid.items[0]?.piece);
  const id = (copy.body as PieceView).id;
  return (await api().post(`/api/pieces/${id}/makes`).expect(200)).body as MakeView;
};
