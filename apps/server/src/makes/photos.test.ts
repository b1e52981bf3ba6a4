import { describe, expect, it } from '@jest/globals';
import type { MakeView, PhotoView, PieceView } from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const PNG = Buffer.from('\x89PNG\r\n\x1a\n and some more', 'latin1');

const someMake = async (): Promise<MakeView> => {
  const [piece] = (await api().get('/api/pieces')).body as PieceView[];
  return (await api().post(`/api/pieces/${piece!.id}/makes`)).body as MakeView;
};
const send = (make: MakeView, bytes: Buffer, type = 'image/png') =>
  api().post(`/api/makes/${make.id}/photos`).set('content-type', type).send(bytes);

describe('photos of a make', () => {
  it('come back byte for byte, and are listed with it', async () => {
    const make = await someMake();
    const photo = (await send(make, PNG).expect(201)).body as PhotoView;
    expect(photo).toMatchObject({ type: 'image/png', size: PNG.length });
    const got = await api().get(`/api/photos/${photo.id}`).expect(200);
    expect(got.headers['content-type']).toBe('image/png');
    expect(Buffer.compare(got.body as Buffer, PNG)).toBe(0);
    const again = (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect(again.photos).toEqual([photo]);
    await api().delete(`/api/photos/${photo.id}`).expect(204);
    await api().get(`/api/photos/${photo.id}`).expect(404);
  });

  it('are what they say: other files are refused, also under a picture’s name', async () => {
    const make = await someMake();
    const refused = await send(make, Buffer.from('<svg onload="alert(1)"/>')).expect(415);
    expect(refused.body.error.code).toBe('photo.type');
    await send(make, Buffer.from('%PDF-1.7'), 'application/pdf').expect(415);
  });

  it('are no larger than a limit that is named, and no more than a few', async () => {
    const make = await someMake();
    const large = await send(make, Buffer.concat([PNG, Buffer.alloc(5_100_000)])).expect(413);
    expect(large.body.error.message).toContain('5 MB');
    expect(large.body.error.remedy).toContain('smaller');
    for (let i = 0; i < 6; i++) await send(make, PNG).expect(201);
    const many = await send(make, PNG).expect(409);
    expect(many.body.error.message).toContain('up to 6');
  });
});
