import { learnFrom, type BoilEvidence } from '@idle-kettle/core';
import type { LessonsView } from '@idle-kettle/contract';
import { formatsOf } from '../../ui/preferences.js';
import { helped, rowsOf, saidBy } from './lessons.js';

const boil = (offset: number, heat_W: number, share: number): BoilEvidence => ({
  at: 0,
  offset_K: { mid: offset, sd: 0.05 },
  logHeat_W: { mid: Math.log(heat_W), sd: 0.02 },
  yield: { logShare: Math.log(share), perK: 0 },
});
const view = (boils: readonly BoilEvidence[]): LessonsView => ({
  kitchenId: 'k',
  lessons: learnFrom(boils, {}),
  boils: [],
  errors: { yield: undefined, minutes: undefined },
  pending: 0,
});
const many = (...of: Parameters<typeof boil>): BoilEvidence[] =>
  Array.from({ length: 60 }, () => boil(...of));
const words = (
  boils: readonly BoilEvidence[],
  temperatureUnit: 'C' | 'F' = 'C',
  units: 'metric' | 'us' = 'metric',
) => rowsOf(view(boils), formatsOf({ units, temperatureUnit })).map(({ word }) => word);

test('what was learned, in the maker’s units', () => {
  // 1500 W less 240 to the room are 4.54 MJ an hour: 2.01 kg of steam at 2.26 MJ/kg.
  const found = words(many(0.8, 1500, 0.94));
  expect(found[0]).toBe('reads 0.8° high');
  expect(found[1]).toMatch(/^2\.01 kg an hour$/);
  expect(found[2]).toBe('6 % less than computed');
  expect(words(many(-1, 1500, 1.04), 'F', 'us').slice(0, 3)).toEqual([
    'reads 1.8° low',
    expect.stringMatching(/lb/),
    '4 % more than computed',
  ]);
});

test('what is too small to matter is said so', () => {
  expect(
    words(many(0.05, 1500, 1))
      .filter((_, i) => i !== 1)
      .slice(0, 2),
  ).toEqual(['reads right', 'as computed']);
});

test('how much it helped, only where something can be compared', () => {
  expect(helped({ errors: { yield: undefined, minutes: undefined } })).toBeUndefined();
  expect(
    helped({ errors: { yield: { without: 0.061, with: 0.024, batches: 4 }, minutes: undefined } }),
  ).toBe(
    'Forecast from the boils before it, each of the last 4 would on the whole have had the yield 2.4 % off instead of 6.1 %.',
  );
  expect(
    helped({ errors: { yield: undefined, minutes: { without: 6, with: 2, batches: 3 } } }),
  ).toMatch(/had the time 2\.0 min off instead of 6\.0/);
  // One or two batches are luck.
  expect(
    helped({ errors: { yield: undefined, minutes: { without: 6, with: 2, batches: 2 } } }),
  ).toBeUndefined();
});

test('a long cook tells of its place only', () => {
  const oven: BoilEvidence = {
    at: 0,
    losses: [
      { where: 'oven', lid: 'off', heat: 'low', logLoss: { mid: Math.log(0.44), sd: 0.02 } },
    ],
  };
  const { lessons } = view(Array.from({ length: 60 }, () => oven));
  const metric = formatsOf({ units: 'metric', temperatureUnit: 'C' });
  const rows = rowsOf({ ...view([oven]), lessons }, metric).filter(({ boils }) => boils > 0);
  expect(rows.map(({ name, word }) => [name, word])).toEqual([
    ['Water lost, oven, wide pan, low, lid off', '440 g an hour'],
  ]);
  const said = { offset_K: null, heat_W: null, yieldShare: null, rise_K: null };
  const losses = [{ where: 'oven', lid: 'off', heat: 'low', loss_kgPerH: 0.5 } as const];
  expect(saidBy({ ...said, losses }, metric)).toBe('oven, wide pan, low, lid off: 500 g an hour');
  expect(saidBy({ ...said, offset_K: -0.5, yieldShare: 0.96, losses: [] }, metric)).toBe(
    'thermometer −0.5°, 96 % to the jars',
  );
});
