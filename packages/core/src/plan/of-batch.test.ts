import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import { madeBatch } from '../made-batch/index.js';
import { STARTERS } from '../starters/index.js';
import { logFrom } from '../testing/log.js';
import { planOfBatch, type BatchPlan } from './of-batch.js';

const START = Date.parse('2026-09-12T18:00:00.000Z');
const MINUTE = 60_000;
const event = logFrom(START, MINUTE);
const planned = (title: string, events: readonly BatchEvent[], now = 0): BatchPlan => {
  const document = STARTERS.find((each) => each.title.startsWith(title));
  if (!document) throw new Error(title);
  const boil = boilFrom(events);
  const made = madeBatch(document, boil, { altitude_m: 1180 }, { planned: true });
  const plan = planOfBatch(made, boil, {}, START + 90 * MINUTE, START + now * MINUTE);
  if (!plan) throw new Error('nothing to plan');
  return plan;
};
const codes = ({ steps }: BatchPlan): string[] => steps.map(({ code }) => code);

test('begins as wished, else when it went on the heat, else soon', () => {
  const wish = event('planned', 0, { by: 'ready', at: '2026-09-13T21:00:00.000Z' });
  expect(planned('Damson jam', [wish]).wish).toMatchObject({
    by: 'ready',
    at: Date.parse('2026-09-13T21:00:00Z'),
  });
  const light = event('light', 5, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
  expect(planned('Damson jam', [light]).wish).toEqual({ by: 'start', at: START + 5 * MINUTE });
  expect(planned('Damson jam', []).wish).toEqual({ by: 'start', at: START + 90 * MINUTE });
});

test('once it is on the heat what comes before is over, ticked or not', () => {
  const light = event('light', 60, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
  const { schedule } = planned('Damson jam', [light], 61);
  const soften = schedule.steps.find(({ code }) => code === 'soften');
  expect(soften?.start).toBe(START + 60 * MINUTE);
  const ticked = event('step', 30, { code: 'lay-out' });
  const early = planned('Damson jam', [ticked, light], 61).schedule;
  expect(early.steps.find(({ code }) => code === 'lay-out')?.doneAt).toBe(START + 30 * MINUTE);
});

test('stands that were taken up, and what a butter cooks in, are the log’s', () => {
  const wish = event('planned', 0, {
    by: 'start',
    at: '2026-09-12T18:00:00.000Z',
    with: ['macerate'],
  });
  expect(codes(planned('Damson jam', [wish]))).toContain('macerate');
  expect(codes(planned('Damson jam', []))).not.toContain('macerate');
  const hours = (events: readonly BatchEvent[]): number =>
    (planned('Pear butter', events).steps.find(({ code }) => code === 'cook')?.most ?? 0) / 60;
  expect(hours([event('vessel', 0, { vessel: 'slow-cooker-lid-ajar' })])).toBeGreaterThan(
    hours([]) * 2,
  );
});
