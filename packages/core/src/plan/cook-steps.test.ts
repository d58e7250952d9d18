import type { DocumentStage } from '../formula/index.js';
import { computeFormula } from '../keeping/index.js';
import { BUTTER, documentOf, type Lines } from '../testing/formula.js';
import { needsWatchingAtNight } from './cook-steps.js';
import type { PlanStep } from './plan-step.js';
import { planSteps } from './steps.js';

const LINES: Lines = [
  ['2.4 kg', 'pear', 'chopped'],
  ['60 ml', 'lemon-juice-bottled'],
  ['250 g', 'white-sugar'],
];
const CROCK_THEN_OPEN: readonly DocumentStage[] = [
  { where: 'slow-cooker', lid: 'on', heat: 'low', time: '10 h' },
  { where: 'slow-cooker', lid: 'off', heat: 'high', work: 'blend', time: '2 h' },
];

/** @param sugarStage the stage its sugar goes in with, where it is written */
function planned(stages: readonly DocumentStage[], sugarStage?: number): readonly PlanStep[] {
  const document = documentOf(LINES, { ...BUTTER, stages: [...stages] });
  const lines = document.lines.map((line) =>
    line.ingredient === 'white-sugar' && sugarStage !== undefined
      ? { ...line, stage: sugarStage }
      : line,
  );
  const made = computeFormula({ ...document, lines }, { altitude_m: 700 });
  if (!made.balance) throw new Error('nothing in the pan');
  return planSteps(made.formula, made.balance, made.keeping, {});
}
const step = (steps: readonly PlanStep[], code: string): PlanStep => {
  const found = steps.find((each) => each.code === code);
  if (!found) throw new Error(`no ${code} in ${steps.map((each) => each.code).join(' ')}`);
  return found;
};

test('a closed slow cooker is left alone; what is done between its stages is hands-on, with its caution', () => {
  const steps = planned(CROCK_THEN_OPEN);
  expect(step(steps, 'cook')).toMatchObject({ attention: 'hands-off', least: 600, most: 600 });
  expect(step(steps, 'blend-2')).toMatchObject({
    attention: 'hands-on',
    caution: expect.stringMatching(/third at most/),
  });
  expect(step(steps, 'cook-2')).toMatchObject({ least: 120, most: 120 });
  const hands_min = steps.reduce((sum, { attended_min = 0 }) => sum + attended_min, 0);
  expect(hands_min).toBeLessThan(60);
});

test('from a slow cooker it goes back to a simmer before the jars; from the burner it is hot', () => {
  expect(step(planned(CROCK_THEN_OPEN), 'reheat')).toMatchObject({
    text: expect.stringMatching(/85 °C/),
    attention: 'cannot-leave',
  });
  const onBurner = planned([{ where: 'burner', lid: 'off', heat: 'low', until: 'done' }]);
  expect(onBurner.map(({ code }) => code)).not.toContain('reheat');
});

test.each([
  ['slow-cooker', 'hands-off', false],
  ['oven', 'needs-watching', true],
  ['burner', 'needs-watching', true],
  ['outdoor-burner', 'hands-on', true],
] as const)('%s: %s, and by night it is said: %s', (where, attention, atNight) => {
  const cook = step(planned([{ where, lid: 'off', until: 'done' }]), 'cook');
  expect(cook.attention).toBe(attention);
  const start = Date.parse('2026-10-10T21:00:00Z');
  const overMidnight = { ...cook, start, end: start + 6 * 3_600_000 };
  const hourOf = (at: number): number => new Date(at).getUTCHours();
  expect(needsWatchingAtNight(overMidnight, hourOf)).toBe(atNight);
  const byDay = { ...cook, start: start - 12 * 3_600_000, end: start - 6 * 3_600_000 };
  expect(needsWatchingAtNight(byDay, hourOf)).toBe(false);
});

test('a line goes in once: near the end, or with the stage that is written for it', () => {
  const unsaid = planned(CROCK_THEN_OPEN);
  expect(step(unsaid, 'cook').lines).toEqual([0, 1]);
  expect(step(unsaid, 'sweeten').lines).toEqual([2]);
  const written = planned(CROCK_THEN_OPEN, 2);
  expect(step(written, 'cook-2').lines).toEqual([2]);
  expect(written.flatMap(({ lines }) => lines).toSorted()).toEqual([0, 1, 2]);
});
