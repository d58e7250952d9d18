import { randomUUID } from 'node:crypto';
import { inflateSync } from 'node:zlib';
import { boilFrom, outcomeOf } from '@idle-kettle/core';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';
import { bookRows, inRuns } from './book-pages.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_book'));
});
afterAll(() => kitchen.close());

/** How many pages a PDF has: its objects stand in the open or in compressed streams. */
function pagesIn(pdf: Buffer): number {
  const streams = [...pdf.toString('latin1').matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)].map(
    ([, body = '']) => {
      try {
        return inflateSync(Buffer.from(body, 'latin1')).toString('latin1');
      } catch {
        return '';
      }
    },
  );
  return (
    [pdf.toString('latin1'), ...streams].join('\n').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0
  );
}

const book = async (query: object = {}): Promise<Buffer> =>
  (
    await kitchen.http
      .get('/api/household/book.pdf')
      .query(query)
      .responseType('blob')
      .expect(200)
      .expect('Content-Type', 'application/pdf')
      .expect('Content-Disposition', /book\.pdf/)
  ).body as Buffer;
const calendar = async (): Promise<string> =>
  (
    await kitchen.http
      .get('/api/household/calendar.ics')
      .expect(200)
      .expect('Content-Type', /text\/calendar/)
  ).text;

test('an empty household has a book of one page and an empty calendar', async () => {
  const pdf = await book();
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pagesIn(pdf)).toBe(1);
  expect(await calendar()).not.toContain('BEGIN:VEVENT');
});

test('every batch is in the book, of one year or of all', async () => {
  for (let i = 0; i < 14; i++)
    await newBatch(kitchen.http, damsonJam({ title: `Slivové ovocie ${i}, ő and ½` }));
  const all = await book();
  expect(pagesIn(all)).toBeGreaterThan(1);
  expect(pagesIn(await book({ year: 1999 }))).toBe(1);
  await kitchen.http.get('/api/household/book.pdf').query({ year: 'last' }).expect(400);
});

test('the calendar has the jars by their last good day, the lids to press and what is planned', async () => {
  const id = await newBatch(kitchen.http, damsonJam({ title: 'Damson, sharp; dark' }));
  const event = (type: string, at: string, body: object) => ({
    id: randomUUID(),
    type,
    at,
    device: 'bench',
    body,
  });
  const hours = (ago: number): string => new Date(Date.now() - ago * 3_600_000).toISOString();
  await kitchen.http
    .post(`/api/batches/${id}/events`)
    .send({
      events: [
        event('jarred', hours(3), { jars: [{ size: '340-g', full: 3, part: 0 }] }),
        event('heat-stated', hours(2.5), { reached: true }),
        event('processed', hours(2), { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
      ],
    })
    .expect(200);
  await kitchen.http
    .post('/api/shelf')
    .send({
      id: randomUUID(),
      batchId: id,
      size: '340-g',
      count: 3,
      madeOn: '2026-09-12',
      place: 'Larder',
    })
    .expect(200);
  const planned = await newBatch(kitchen.http, damsonJam({ title: 'Quince jelly' }));
  await kitchen.http
    .post(`/api/batches/${planned}/events`)
    .send({ events: [event('planned', hours(1), { by: 'ready', at: '2027-01-09T19:00:00.000Z' })] })
    .expect(200);
  // Long lines are folded (RFC 5545); commas and semicolons are escaped.
  const text = (await calendar()).replace(/\r\n[ \t]/g, '');
  expect(text).toContain('SUMMARY:Best before today: Damson\\, sharp\\; dark\\, 3 × 340 g jars');
  expect(text).toContain('DTSTART;VALUE=DATE:20270912');
  expect(text).toContain('LOCATION:Larder');
  expect(text).toContain('SUMMARY:Press the lids: Damson\\, sharp\\; dark');
  expect(text).toMatch(
    /DTSTART:20270109T190000Z[\s\S]*SUMMARY:Jars on the counter: Quince jelly|SUMMARY:Jars on the counter: Quince jelly[\s\S]*DTSTART:20270109T190000Z/,
  );
});

test('letters go to the file of the face that has them', () => {
  expect(inRuns('Zwetschge ½')).toEqual([{ text: 'Zwetschge ½' }]);
  expect(inRuns('őszi barack, ž')).toEqual([
    { text: 'ő', font: 'Others' },
    { text: 'szi barack, ' },
    { text: 'ž', font: 'Others' },
  ]);
  expect(inRuns('')).toEqual([{ text: '' }]);
});

test('what is not known of a batch has no line; units are the person’s', () => {
  const start = Date.parse('2026-09-12T18:00:00.000Z');
  const at = (type: string, minute: number, body: object) => ({
    id: `${type}${minute}`,
    type,
    at: new Date(start + minute * 60_000).toISOString(),
    device: 'bench',
    body,
  });
  const boil = boilFrom([
    at('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 }),
    at('reading', 29, { temperature_C: 100.7 }),
    at('done', 30, {}),
  ] as Parameters<typeof boilFrom>[0]);
  const rows = bookRows(outcomeOf(damsonJam(), boil, { altitude_m: 1180 }, start), {
    units: 'us',
    temperatureUnit: 'F',
  });
  expect(rows[0]).toEqual(['stopped at', '212.9 °F', '213.3 °F']);
  expect(rows.map(([name]) => name)).not.toContain('sealed');
});
