import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import {
  LARGEST_PHOTO_MB,
  MOST_PHOTOS,
  type HouseholdFile,
  type PhotoView,
  type ProblemBody,
} from '@idle-kettle/contract';
import { newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_photos'));
});
afterAll(() => kitchen.close());

/**
 * A picture of a jar that says where it was taken and by what, lying on its side as cameras write
 * them.
 */
const picture = (width = 2400, height = 1200): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: '#6e2a4f' } })
    .withExif({
      IFD0: { Make: 'A camera of ours', ImageDescription: 'larder' },
      IFD3: { GPSLatitude: '47/1 3/1 0/1', GPSLatitudeRef: 'N' },
    })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
const send = (batchId: string, bytes: Buffer, id = randomUUID(), type = 'image/jpeg') =>
  kitchen.http
    .put(`/api/batches/${batchId}/photos/${id}`)
    .query({ at: '2026-09-12T18:00:00.000Z' })
    .set('Content-Type', type)
    .send(bytes);
const list = async (batchId: string): Promise<PhotoView[]> =>
  (await kitchen.http.get(`/api/batches/${batchId}/photos`).expect(200)).body as PhotoView[];
const bytesOf = async (path: string): Promise<Buffer> =>
  (
    await kitchen.http
      .get(path)
      .responseType('blob')
      .expect(200)
      .expect('Content-Type', 'image/webp')
      .expect('X-Content-Type-Options', 'nosniff')
  ).body as Buffer;

test('a photo is kept once, upright and no larger than a screen, and says nothing but the picture', async () => {
  const batch = await newBatch(kitchen.http);
  const taken = await picture();
  expect(taken.includes('A camera of ours')).toBe(true);
  const id = randomUUID();
  for (let i = 0; i < 2; i++) await send(batch, taken, id).expect(200);
  // Lying on its side, 2400 by 1200 is 1200 by 2400 upright.
  expect(await list(batch)).toEqual([
    { id, note: '', width: 800, height: 1600, at: '2026-09-12T18:00:00.000Z' },
  ]);
  const [image, small] = [
    await bytesOf(`/api/photos/${id}`),
    await bytesOf(`/api/photos/${id}/small`),
  ];
  for (const kept of [image, small]) {
    const { format, exif, xmp, iptc, icc, orientation } = await sharp(kept).metadata();
    expect([format, exif, xmp, iptc, icc, orientation]).toEqual([
      'webp',
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(kept.includes('camera')).toBe(false);
  }
  expect(await sharp(small).metadata()).toMatchObject({ width: 240, height: 480 });
});

test('what it shows is written under it; taken out and brought back as it was', async () => {
  const batch = await newBatch(kitchen.http);
  const id = randomUUID();
  await send(batch, await picture(300, 200), id).expect(200);
  await kitchen.http.patch(`/api/photos/${id}`).send({ note: ' the cloudy one ' }).expect(200);
  await kitchen.http.delete(`/api/photos/${id}`).expect(204);
  expect(await list(batch)).toEqual([]);
  await kitchen.http.get(`/api/photos/${id}`).expect(404);
  await kitchen.http.post(`/api/photos/${id}/back`).expect(204);
  expect(await list(batch)).toMatchObject([{ id, note: 'the cloudy one' }]);
  await kitchen.http
    .patch(`/api/photos/${id}`)
    .send({ note: 'x'.repeat(201) })
    .expect(400);
});

test('what is no photo is refused, whatever it is called', async () => {
  const batch = await newBatch(kitchen.http);
  const whole = await picture(300, 200);
  const svg = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>',
  );
  const gif = await sharp(whole).gif().toBuffer();
  for (const [bytes, type] of [
    [Buffer.from('#!/bin/sh\necho jam'), 'image/jpeg'],
    [svg, 'image/png'],
    [gif, 'image/webp'],
    [whole.subarray(0, whole.length - 200), 'image/jpeg'],
  ] as const) {
    const { body } = await send(batch, bytes, randomUUID(), type).expect(400);
    expect((body as ProblemBody).errors).toEqual([
      { path: 'photo', message: 'choose a JPEG, PNG or WebP picture' },
    ]);
  }
  // Not even said to be one.
  await send(batch, svg, randomUUID(), 'image/svg+xml').expect(415);
  const { body } = await send(batch, Buffer.alloc(LARGEST_PHOTO_MB * 1024 * 1024 + 1)).expect(413);
  expect((body as ProblemBody).detail).toBe(`a photo has at most ${LARGEST_PHOTO_MB} MB`);
  await send(randomUUID(), whole).expect(404);
  expect(await list(batch)).toEqual([]);
});

test('a picture that unpacks into more than any camera takes is refused before it is unpacked', async () => {
  const batch = await newBatch(kitchen.http);
  const bomb = await sharp({
    create: { width: 10_500, height: 10_000, channels: 3, background: 'white' },
    limitInputPixels: false,
  })
    .png({ compressionLevel: 6 })
    .toBuffer();
  expect(bomb.length).toBeLessThan(2e6);
  await send(batch, bomb, randomUUID(), 'image/png').expect(400);
});

test(`a batch has at most ${MOST_PHOTOS} photos`, async () => {
  const batch = await newBatch(kitchen.http);
  const one = await picture(20, 20);
  for (let i = 0; i < MOST_PHOTOS; i++) await send(batch, one).expect(200);
  await send(batch, one).expect(409);
});

test('photos go out with the household and come in as they were; one that is none is named by its place', async () => {
  const batch = await newBatch(kitchen.http);
  const id = randomUUID();
  await send(batch, await picture(600, 400), id).expect(200);
  await kitchen.http.patch(`/api/photos/${id}`).send({ note: 'the shelf' }).expect(200);
  const was = await bytesOf(`/api/photos/${id}`);
  const file = (await kitchen.http.get('/api/household').expect(200)).body as HouseholdFile;
  await startElsewhere();
  await kitchen.http.post('/api/household').send(file).expect(200);
  expect(await list(batch)).toMatchObject([
    { id, note: 'the shelf', at: '2026-09-12T18:00:00.000Z' },
  ]);
  // Packed anew, since nothing of a file is taken as it is: the picture is the same to the eye.
  const pixels = async (bytes: Buffer): Promise<Buffer> => sharp(bytes).raw().toBuffer();
  const [before, after] = [await pixels(was), await pixels(await bytesOf(`/api/photos/${id}`))];
  expect(after.length).toBe(before.length);
  expect(after.every((value, i) => Math.abs(value - (before[i] ?? NaN)) <= 8)).toBe(true);
  const spoilt = {
    ...file,
    photos: file.photos
      .map((photo) => ({
        ...photo,
        id: randomUUID(),
        image: Buffer.from('no picture').toString('base64'),
      }))
      .slice(0, 1),
  };
  const { body } = await kitchen.http.post('/api/household').send(spoilt).expect(400);
  expect((body as ProblemBody).errors).toEqual([
    { path: 'photos[0].image', message: 'this is not a photo that can be read' },
  ]);
});

/** The same machine with another, empty household. A server is one to a process. */
async function startElsewhere(): Promise<void> {
  await kitchen.close();
  kitchen = await startTestApp(await freshDatabase('kettle_test_photos_elsewhere'));
}

test('a WebP is packed anew like any other: nothing that was in it or behind it stays', async () => {
  const batch = await newBatch(kitchen.http);
  const clean = await sharp({
    create: { width: 300, height: 200, channels: 3, background: '#fff' },
  })
    .withExif({ IFD0: { Make: 'A camera of ours' } })
    .webp()
    .toBuffer();
  const id = randomUUID();
  const sent = Buffer.concat([clean, Buffer.from('behind the picture: a secret')]);
  await send(batch, sent, id, 'image/webp').expect(200);
  const kept = await bytesOf(`/api/photos/${id}`);
  expect(kept.includes('secret')).toBe(false);
  expect(kept.includes('camera')).toBe(false);
});

test('of many at once each is kept or asked to come again, and lists are answered meanwhile', async () => {
  const batch = await newBatch(kitchen.http);
  const large = await picture(2000, 1500);
  const sending = Array.from({ length: 20 }, () => send(batch, large).then(({ status }) => status));
  const from = performance.now();
  await kitchen.http.get('/api/batches').expect(200);
  expect(performance.now() - from).toBeLessThan(2000);
  const statuses = await Promise.all(sending);
  expect(statuses.every((status) => [200, 429].includes(status))).toBe(true);
  expect(statuses).toContain(429);
  expect(await list(batch)).toHaveLength(statuses.filter((status) => status === 200).length);
}, 20_000);
