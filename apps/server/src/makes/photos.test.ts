import { setTimeout } from 'node:timers/promises';
import { describe, expect, it } from '@jest/globals';
import type { MakeView, PhotoView, PieceView } from '@coiled-strand/contract';
import sharp from 'sharp';
import { endPictures } from './pictures.js';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

/** A picture with something to see in it: left half dark, right half light. */
const picture = (width = 40, height = 20) =>
  sharp({ create: { width, height, channels: 3, background: '#222222' } }).composite([
    {
      input: {
        create: { width: width / 2, height, channels: 3, background: '#eeeeee' },
      },
      left: width / 2,
      top: 0,
    },
  ]);
const PNG = await picture().png().toBuffer();

const someMake = async (): Promise<MakeView> => {
  const [piece] = (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[];
  const { body } = await api().post(`/api/pieces/${piece!.id}/makes`).send({ beside: true });
  return body as MakeView;
};
const send = (make: MakeView, bytes: Buffer, type = 'image/png') =>
  api().post(`/api/makes/${make.id}/photos`).set('content-type', type).send(bytes);

describe('photos of a make', () => {
  it('come back as they were sent, and are listed with it', async () => {
    const make = await someMake();
    const photo = (await send(make, PNG).expect(201)).body as PhotoView;
    const got = await api().get(`/api/photos/${photo.id}`).expect(200);
    expect(got.headers['content-type']).toBe('image/png');
    expect(photo).toMatchObject({ type: 'image/png', size: (got.body as Buffer).length });
    const raw = (bytes: Buffer) => sharp(bytes).removeAlpha().raw().toBuffer();
    expect(Buffer.compare(await raw(got.body as Buffer), await raw(PNG))).toBe(0);
    const again = (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect(again.photos).toEqual([photo]);
    await api().delete(`/api/photos/${photo.id}`).expect(204);
    await api().get(`/api/photos/${photo.id}`).expect(404);
  });

  it('sent twice under one name are one, and nothing else comes under it', async () => {
    const make = await someMake();
    const named = (bytes: Buffer) => send(make, bytes).set('Idempotency-Key', 'photo-of-once-1');
    const first = (await named(PNG).expect(201)).body as PhotoView;
    const again = (await named(PNG).expect(201)).body as PhotoView;
    expect(again).toEqual(first);
    const other = await picture(50, 20).png().toBuffer();
    expect((await named(other).expect(422)).body.error.code).toBe('request.another');
    const { photos } = (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect(photos).toEqual([first]);
  });

  it.each(['jpeg', 'webp', 'png'] as const)(
    'as %s are turned as they were held, and lose where, when, with what and by whom they were taken',
    async (format) => {
      const make = await someMake();
      const held = await picture()
        .withExif({
          IFD0: { Artist: 'Somebody', Model: 'A camera', Copyright: 'Somebody' },
          IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 30/1 0/1' },
        })
        .withMetadata({ orientation: 6 })
        .toFormat(format)
        .toBuffer();
      expect((await sharp(held).metadata()).exif?.toString('latin1')).toContain('Somebody');
      const photo = (await send(make, held, `image/${format}`).expect(201)).body as PhotoView;
      const kept = (await api().get(`/api/photos/${photo.id}`).expect(200)).body as Buffer;
      const { exif, orientation, xmp, iptc, width, height } = await sharp(kept).metadata();
      expect({ exif, orientation, xmp, iptc }).toEqual({});
      expect(kept.toString('latin1')).not.toContain('Somebody');
      // It lay on its side, and stands upright now: what was left is at the top.
      expect([width, height]).toEqual([20, 40]);
      const { data, info } = await sharp(kept).raw().toBuffer({ resolveWithObject: true });
      const at = (x: number, y: number) => data[(y * info.width + x) * info.channels]!;
      expect(at(10, 5)).toBeLessThan(80);
      expect(at(10, 35)).toBeGreaterThan(180);
    },
  );

  it('are decoded before they are kept: half a file, and a small one that would unpack to a huge one, are refused', async () => {
    const make = await someMake();
    for (const broken of [
      PNG.subarray(0, PNG.length / 2),
      Buffer.from('\x89PNG\r\n\x1a\n and some more', 'latin1'),
      Buffer.from([0xff, 0xd8, 0xff, 0xe0]),
      Buffer.alloc(0),
    ]) {
      const { status, body } = await send(make, broken);
      expect([status, body.error.code]).toEqual([415, 'photo.type']);
    }
    const plain = (width: number, height: number) =>
      sharp({
        create: { width, height, channels: 3, background: '#fff' },
        limitInputPixels: false,
      });
    const bomb = await plain(7_600, 7_700).webp({ lossless: true, effort: 0 }).toBuffer();
    expect(bomb.length).toBeLessThan(100_000);
    const huge = await plain(5_000, 4_900).png({ compressionLevel: 1 }).toBuffer();
    const before = process.memoryUsage().rss;
    // Eight at once are no worse: they are not decoded here, and not at all.
    const refused = await Promise.all(
      [...Array.from({ length: 8 }, () => bomb), huge].map((one) => send(make, one)),
    );
    expect(refused.map(({ status }) => status)).toEqual(Array.from({ length: 9 }, () => 415));
    expect(process.memoryUsage().rss - before).toBeLessThan(300_000_000);
    // What a good camera takes is kept, half as wide and high.
    const large = await plain(6_400, 4_800).jpeg({ quality: 40 }).toBuffer();
    const photo = (await send(make, large, 'image/jpeg').expect(201)).body as PhotoView;
    const kept = (await api().get(`/api/photos/${photo.id}`).expect(200)).body as Buffer;
    expect(await sharp(kept).metadata()).toMatchObject({ width: 3_200, height: 2_400 });
  });

  it('are decoded elsewhere: a process that ends over one is begun anew, and the others are kept', async () => {
    const make = await someMake();
    const all = Promise.all(Array.from({ length: 4 }, () => send(make, PNG)));
    for (let n = 0; n < 3; n++) {
      await setTimeout(30);
      endPictures();
    }
    const statuses = (await all).map(({ status }) => status);
    expect(statuses.every((status) => status === 201 || status === 415)).toBe(true);
    expect(statuses.filter((status) => status === 201).length).toBeGreaterThan(0);
    await send(make, PNG).expect(201);
  });

  it('are no more than a make keeps, also when all are sent at once', async () => {
    const make = await someMake();
    const sent = await Promise.all(Array.from({ length: 14 }, () => send(make, PNG)));
    expect(sent.map(({ status }) => status).sort()).toEqual([
      ...Array.from({ length: 6 }, () => 201),
      ...Array.from({ length: 8 }, () => 409),
    ]);
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
