import { STARTERS } from '../starters/index.js';
import { computeFormula } from '../keeping/index.js';
import type { FormulaDocument } from '../formula/index.js';
import { busyOf, clashesOf, clearOf } from './stove.js';
import { crewDuties } from './crew.js';
import type { PlanStep } from './plan-step.js';
import { loadsOf, planSteps } from './steps.js';
import { schedule, type Schedule } from './schedule.js';

const MINUTE = 60_000;
const NINE = Date.parse('2026-09-12T21:00:00.000Z');
const NOON = NINE - 9 * 60 * MINUTE;
const starter = (title: string): FormulaDocument =>
  STARTERS.find((each) => each.title.startsWith(title)) as FormulaDocument;
const steps = (title: string, capacity_l?: number): PlanStep[] => {
  const { formula, balance, keeping } = computeFormula(starter(title), {
    altitude_m: 1180,
    ...(capacity_l !== undefined && { pan: { capacity_l } }),
  });
  if (!balance) throw new Error(title);
  return planSteps(formula, balance, keeping);
};
const laid = (title: string, at = NINE): Schedule =>
  schedule(steps(title), { by: 'ready', at }, new Map(), NOON - 12 * 60 * MINUTE);
const overlap = (
  plan: Schedule,
  busy: readonly { from: number; to: number; of: string }[],
  of: string,
): boolean =>
  busyOf(plan, '')
    .filter((each) => each.of === of)
    .some((mine) =>
      busy.some((each) => each.of === of && mine.from < each.to && each.from < mine.to),
    );

describe('two batches on one stove', () => {
  const other = busyOf(laid('Damson jam'), 'Damson jam');
  test('wanted at the same hour they clash, and it says where', () => {
    const found = clashesOf(laid('Redcurrant jelly'), other);
    expect(found.length).toBeGreaterThan(0);
    expect(found[0]?.with.what).toMatch(/^Damson jam: \w+/);
  });
  test('the nearest time at which they do not is found, for the cook and for the canner', () => {
    const list = steps('Redcurrant jelly');
    const wish = clearOf(
      list,
      { by: 'ready', at: NINE },
      new Map(),
      NOON - 12 * 60 * MINUTE,
      other,
    );
    if (!wish) throw new Error('none found');
    const plan = schedule(list, wish, new Map(), NOON - 12 * 60 * MINUTE);
    expect(overlap(plan, other, 'cook')).toBe(false);
    expect(overlap(plan, other, 'canner')).toBe(false);
    expect(Math.abs(wish.at - NINE)).toBeLessThan(3 * 60 * MINUTE);
    // Five minutes nearer they would still clash.
    const nearer = { by: 'ready', at: wish.at + (wish.at < NINE ? 5 : -5) * MINUTE } as const;
    expect(
      clashesOf(schedule(list, nearer, new Map(), NOON - 12 * 60 * MINUTE), other).length,
    ).toBeGreaterThan(0);
  });
  test('a start is only ever moved later; what does not clash is left', () => {
    const list = steps('Redcurrant jelly');
    const start = laid('Damson jam').begins;
    const wish = clearOf(list, { by: 'start', at: start }, new Map(), start - MINUTE, other);
    expect(wish?.at).toBeGreaterThanOrEqual(start);
    const far = { by: 'ready', at: NINE + 24 * 60 * MINUTE } as const;
    expect(clearOf(list, far, new Map(), NOON, other)).toEqual(far);
  });
  test('what is done takes nobody any more', () => {
    const plan = schedule(
      steps('Damson jam'),
      { by: 'ready', at: NINE },
      new Map([['boil', NINE - 90 * MINUTE]]),
      NINE - 89 * MINUTE,
    );
    expect(busyOf(plan, 'x').some(({ what }) => what === 'x: boil')).toBe(false);
  });
});

describe('a crew', () => {
  test('three fill, wipe and lid; nobody is in two places at once', () => {
    const duties = crewDuties(laid('Damson jam'), ['Ada', 'Bo', 'Cy']);
    expect(
      duties.filter(({ code }) => code === 'fill').map(({ role, who }) => [role, who].length),
    ).toEqual([2, 2, 2]);
    expect(new Set(duties.filter(({ code }) => code === 'fill').map(({ who }) => who)).size).toBe(
      3,
    );
    for (const each of duties)
      expect(
        duties.filter(
          (other) =>
            other !== each &&
            other.who === each.who &&
            other.from < each.to &&
            each.from < other.to,
        ),
      ).toEqual([]);
  });
  test('stirring goes by turns, without a gap', () => {
    const plan = laid('Damson jam');
    const boil = plan.steps.find(({ code }) => code === 'boil');
    const turns = crewDuties(plan, ['Ada', 'Bo']).filter(({ code }) => code === 'boil');
    expect([turns[0]?.from, turns.at(-1)?.to]).toEqual([boil?.start, boil?.end]);
    turns.slice(1).forEach((turn, i) => {
      expect(turn.from).toBe(turns[i]?.to);
      expect(turn.who).not.toBe(turns[i]?.who);
    });
  });
  test('alone, one does it all; nobody, none of it', () => {
    expect(new Set(crewDuties(laid('Damson jam'), ['Ada']).map(({ who }) => who))).toEqual(
      new Set(['Ada']),
    );
    expect(crewDuties(laid('Damson jam'), [])).toEqual([]);
  });
});

describe('a butter pan that does not hold it all', () => {
  const loads = (capacity_l: number): number => {
    const { formula, balance } = computeFormula(starter('Pear butter'), { pan: { capacity_l } });
    if (!balance) throw new Error('nothing in the pan');
    return loadsOf(formula, balance);
  };
  test('is loaded in stages as its fruit cooks down', () => {
    expect(loads(6)).toBe(1);
    expect(loads(4)).toBeGreaterThan(1);
    const list = steps('Pear butter', 4);
    const staged = list.filter(({ code }) => code.startsWith('load-'));
    expect(staged).toHaveLength(loads(4) - 1);
    const plan = schedule(list, { by: 'start', at: NOON }, new Map(), NOON);
    const at = (code: string): number =>
      plan.steps.find((step) => step.code === code)?.start ?? NaN;
    expect(at('load-2') - at('cook')).toBe(90 * MINUTE);
  });
  test('a jam is not', () =>
    expect(steps('Damson jam', 2).some(({ code }) => code.startsWith('load-'))).toBe(false));
});
