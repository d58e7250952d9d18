import { documentOf } from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { asMade, boilFrom, keepingOfJars, type BatchEvent, type EventBodies } from './index.js';

const DAMSON = documentOf([['2.4 kg', 'damson'], ['2.2 kg', 'white-sugar'], ['300 ml', 'water']]); // prettier-ignore
const UP = { altitude_m: 1180 };

let seconds = 0;
const event = <T extends keyof EventBodies>(type: T, body: EventBodies[T], id = `e${seconds}`): BatchEvent =>
  ({ id, type, at: new Date(Date.UTC(2026, 8, 12, 18, 0, seconds++)).toISOString(), device: 'bench', body }) as BatchEvent; // prettier-ignore
const added = (text: string): BatchEvent => event('addition', { text });
const processed = (minutes: number, method: 'boiling-water' | 'steam' = 'boiling-water', altitude_m: number | null = 1180): BatchEvent => event('processed', { method, minutes, altitude_m }); // prettier-ignore
const jars = (events: readonly BatchEvent[], document: FormulaDocument = DAMSON, place: object = UP) =>
  keepingOfJars(document, boilFrom(events), place);

test('what was added in the boil is in the batch; what was taken back is not', () => {
  const lemon = added('2 tbsp bottled lemon juice');
  const slip = added('1 kg melon');
  const { document, notUnderstood } = asMade(
    DAMSON,
    boilFrom([lemon, slip, event('undo', { eventId: slip.id })]),
  );
  expect(notUnderstood).toEqual([]);
  expect(document.lines.slice(3)).toEqual([{ amount: '2 tbsp', ingredient: 'lemon-juice-bottled' }]);
  expect(asMade(DAMSON, boilFrom([])).document).toBe(DAMSON);
});

test('an addition makes it another formula: an attestation falls', () => {
  const attested = { ...DAMSON, testedSource: { publisher: 'an extension service', year: 2015, unchanged: true } };
  expect(asMade(attested, boilFrom([])).document.testedSource).toBeDefined();
  expect(asMade(attested, boilFrom([added('1 tsp vanilla')])).document.testedSource).toBeUndefined();
  expect(asMade(attested, boilFrom([added('a bit of this')])).document.testedSource).toBeUndefined();
}); // prettier-ignore

describe('jars keep by what is in them and by the process they went through', () => {
  test('15 minutes at 1,180 m: shelf', () => expect(jars([processed(15)])).toMatchObject({ verdict: 'shelf', process: { minutes: 15 } })); // prettier-ignore
  test.each<[string, BatchEvent[], object, string, string]>([
    ['no process in the log', [], UP, 'fridge', 'no-process'],
    ['a process taken back', [event('processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 }, 'p'), event('undo', { eventId: 'p' })], UP, 'fridge', 'no-process'],
    ['five minutes short', [processed(10)], UP, 'stop', 'short-process'],
    ['long enough for sea level only', [processed(10, 'boiling-water', 2500)], { altitude_m: 0 }, 'stop', 'short-process'],
    ['no altitude was stated', [processed(15, 'boiling-water', null)], UP, 'fridge', 'altitude-needed'],
    ['melon went in', [added('1 kg cantaloupe'), processed(15)], UP, 'fridge', 'low-acid'],
    ['a spoon of butter went in', [added('3 tbsp butter'), processed(15)], UP, 'fridge', 'fat'],
    ['something not understood went in', [added('a good glug of grandmother'), processed(15)], UP, 'fridge', 'not-understood'],
  ])('%s', (_, events, place, verdict, code) => {
    const keeping = jars(events, DAMSON, place);
    expect(keeping).toMatchObject({ verdict, process: null });
    expect(keeping.reasons[0]?.code).toBe(code);
  }); // prettier-ignore
  test('a line of the formula that is not understood gives no shelf either', () =>
    expect(jars([processed(15)], { ...DAMSON, lines: [...DAMSON.lines, { amount: '3 handfuls', ingredient: 'gloop' }] }).verdict).toBe('fridge')); // prettier-ignore
  test('the place a formula was written for is not the place it was made at', () =>
    expect(jars([processed(10, 'boiling-water', 1180)], { ...DAMSON, place: { altitude: '0 m' } }).verdict).toBe('stop')); // prettier-ignore
  test('hot fill without a process says what the custom is', () =>
    expect(jars([], { ...DAMSON, processing: 'hot-fill' }).reasons[0]?.code).toBe('hot-fill'));
});
