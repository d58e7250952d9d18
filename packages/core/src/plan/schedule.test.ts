import { STARTERS } from '../starters/index.js';
import { computeFormula } from '../keeping/index.js';
import type { FormulaDocument } from '../formula/index.js';
import { gearFor } from './gear.js';
import type { PlanStep } from './plan-step.js';
import { planSteps, type PlanOptions } from './steps.js';
import { schedule, type Schedule } from './schedule.js';

const starter = (title: string): FormulaDocument =>
  STARTERS.find((each) => each.title.startsWith(title)) as FormulaDocument;
const made = (title: string) => {
  const { formula, balance, keeping } = computeFormula(starter(title), { altitude_m: 1180 });
  if (!balance) throw new Error(title);
  return { formula, balance, keeping };
};
const steps = (title: string, options: PlanOptions = {}): PlanStep[] => {
  const { formula, balance, keeping } = made(title);
  return planSteps(formula, balance, keeping, options);
};
const codes = (list: readonly { code: string }[]): string[] => list.map(({ code }) => code);
const NINE = Date.parse('2026-09-12T21:00:00.000Z');
const MINUTE = 60_000;
const find = ({ steps: list }: Schedule, code: string) => {
  const found = list.find((step) => step.code === code);
  if (!found) throw new Error(`no ${code}`);
  return found;
};

describe('steps follow the way to a set', () => {
  test.each([
    [
      'Damson jam',
      [
        'soften',
        'sugar',
        'boil',
        'test',
        'rest',
        'fill',
        'process-1',
        'lift',
        'clean-up',
        'cool',
        'seals',
      ],
    ],
    ['Sour cherry jam', ['bring-up', 'boil', 'fill', 'process-1']],
    ['Redcurrant jelly', ['simmer', 'drip', 'boil', 'test', 'fill']],
    ['Bitter orange marmalade', ['soak', 'soften-peel', 'soften', 'sugar', 'boil', 'test', 'rest']],
    ['Pear butter', ['cook', 'sweeten', 'fill', 'process-1']],
    ['Passion fruit curd', ['eggs', 'cook', 'fill', 'lift', 'cool']],
  ])('%s', (title, wanted) => {
    const found = codes(steps(title));
    expect(found.filter((code) => wanted.includes(code))).toEqual(wanted);
  });
  test('warmed sugar is put into the oven a quarter of an hour before it goes in', () => {
    const { formula, balance, keeping } = computeFormula(
      { ...starter('Damson jam'), sugarIn: 'warmed' },
      { altitude_m: 1180 },
    );
    if (!balance) throw new Error('nothing in the pan');
    const list = planSteps(formula, balance, keeping, {});
    expect(list.find(({ code }) => code === 'warm-sugar')).toMatchObject({
      attention: 'needs-watching',
      before: { code: 'sugar', minutes: 15 },
      caution: expect.stringMatching(/hot/),
    });
    expect(list.find(({ code }) => code === 'sugar')?.text).toMatch(/warm sugar/);
    expect(codes(steps('Damson jam'))).not.toContain('warm-sugar');
  });
  test('every line of the pan goes in once', () => {
    for (const document of STARTERS) {
      const { formula } = made(document.title);
      const put = steps(document.title).flatMap(({ lines }) => lines);
      expect([document.title, put.toSorted((a, b) => a - b)]).toEqual([
        document.title,
        formula.lines.map(({ index }) => index),
      ]);
    }
  });
  test('fruit that stands in its sugar has it already; every line still goes in once', () => {
    const list = steps('Damson jam', { with: ['macerate'] });
    const { formula } = made('Damson jam');
    expect(codes(list)).not.toContain('sugar');
    expect(list.find(({ code }) => code === 'macerate')?.lines).toHaveLength(2);
    expect(list.flatMap(({ lines }) => lines).toSorted((a, b) => a - b)).toEqual(
      formula.lines.map(({ index }) => index),
    );
    expect(codes(steps('Bitter orange marmalade', { with: [] }))).not.toContain('soak');
  });
  test('sugar after the pectin, liquid pectin after the sugar', () => {
    const [bring, boil] = ['bring-up', 'boil'].map(
      (code) => steps('Sour cherry jam').find((step) => step.code === code)?.lines,
    );
    const { formula } = made('Sour cherry jam');
    const id = (index: number | undefined): string =>
      formula.lines.find((line) => line.index === index)?.ingredient.id ?? '';
    expect(bring?.map(id)).toContain('pectin-powder');
    expect(boil?.map(id)).toEqual(['white-sugar']);
  });
  test('a curd and a fridge formula are not processed; a small canner takes more loads', () => {
    expect(
      codes(steps('Passion fruit curd')).some(
        (code) => code.startsWith('process') || code === 'canner',
      ),
    ).toBe(false);
    expect(
      codes(steps('Damson jam', { load: 4 })).filter((code) => code.startsWith('process')),
    ).toHaveLength(3);
  });
});

describe('a schedule', () => {
  const DAMSON = steps('Damson jam');
  test('backwards from when the jars should stand on the counter', () => {
    const plan = schedule(DAMSON, { by: 'ready', at: NINE }, new Map(), NINE - 12 * 60 * MINUTE);
    expect(find(plan, 'lift').end).toBe(NINE);
    expect(plan.late).toBe(0);
    expect(plan.ready.low).toBeLessThan(NINE);
    expect(plan.ready.high).toBeGreaterThan(NINE);
    const chain = plan.steps.filter(({ before }) => !before);
    chain.slice(1).forEach((step, i) => expect(step.start).toBe(chain[i]?.end));
  });
  test('canner, jars, kettle and plates are begun in time', () => {
    const plan = schedule(DAMSON, { by: 'ready', at: NINE }, new Map(), NINE - 12 * 60 * MINUTE);
    expect(find(plan, 'canner').start).toBe(find(plan, 'fill').start - 40 * MINUTE);
    expect(find(plan, 'jars-hot').start).toBeLessThan(find(plan, 'fill').start);
    expect(find(plan, 'plates').start).toBe(find(plan, 'test').start - 20 * MINUTE);
  });
  test('more people begin later', () => {
    const begins = (people: number): number =>
      schedule(steps('Quince conserve', { people }), { by: 'ready', at: NINE }, new Map(), 0)
        .begins;
    expect(begins(3)).toBeGreaterThan(begins(1));
  });
  test('when the time is too short it says by how much, and begins now', () => {
    const now = NINE - 60 * MINUTE;
    const plan = schedule(DAMSON, { by: 'ready', at: NINE }, new Map(), now);
    expect(plan.begins).toBe(now);
    expect(plan.late).toBeGreaterThan(30);
    // `late` is in whole minutes.
    expect(plan.late).toBe(Math.round((find(plan, 'lift').end - NINE) / MINUTE));
  });
  test('a stand in sugar is ended when it suits: no doubt of the end, and cut down when time is short', () => {
    const list = steps('Damson jam', { with: ['macerate'] });
    const long = schedule(list, { by: 'ready', at: NINE }, new Map(), NINE - 40 * 60 * MINUTE);
    expect((long.ready.high - long.ready.low) / MINUTE).toBeLessThan(150);
    const stand = (plan: Schedule): number =>
      (find(plan, 'macerate').end - find(plan, 'macerate').start) / MINUTE;
    expect(stand(long)).toBe(14 * 60);
    const short = schedule(list, { by: 'ready', at: NINE }, new Map(), NINE - 11 * 60 * MINUTE);
    expect(short.late).toBe(0);
    expect(stand(short)).toBeLessThan(14 * 60);
    expect(stand(short)).toBeGreaterThanOrEqual(4 * 60);
    const none = schedule(list, { by: 'ready', at: NINE }, new Map(), NINE - 5 * 60 * MINUTE);
    expect(stand(none)).toBe(4 * 60);
    expect(none.late).toBeGreaterThan(0);
  });
  test('what is done is where it was, and the rest follows from it', () => {
    const start = NINE - 5 * 60 * MINUTE;
    const first = schedule(DAMSON, { by: 'start', at: start }, new Map(), start);
    const boil = find(first, 'boil');
    const slow = schedule(
      DAMSON,
      { by: 'start', at: start },
      new Map([['boil', boil.end + 20 * MINUTE]]),
      boil.end + 20 * MINUTE,
    );
    expect(find(slow, 'test').start).toBe(boil.end + 20 * MINUTE);
    expect(slow.late).toBe(20);
    expect(find(slow, 'boil').doneAt).toBe(boil.end + 20 * MINUTE);
    // Still not tested half an hour later: that step is still going on.
    const later = schedule(
      DAMSON,
      { by: 'start', at: start },
      new Map([['boil', boil.end]]),
      boil.end + 30 * MINUTE,
    );
    expect(find(later, 'test').end).toBe(boil.end + 30 * MINUTE);
  });
});

test('lids with two spare, plates for the freezer, and no canner for a curd', () => {
  const gear = (title: string): string => {
    const { formula, balance, keeping } = made(title);
    return gearFor(formula, balance, keeping).join('\n');
  };
  expect(gear('Damson jam')).toMatch(/^11 clean hot jars.*\n13 new lids \(2 spare\) and 11 bands/);
  expect(gear('Damson jam')).toMatch(/plates for the freezer/);
  expect(gear('Redcurrant jelly')).toMatch(/drip/);
  expect(gear('Passion fruit curd')).not.toMatch(/canner/);
});
