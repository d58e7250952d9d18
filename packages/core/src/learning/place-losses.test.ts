import { balance, panOf, panOfStage, preparePot } from '../balance/index.js';
import { boilFrom, type BatchEvent, type Boil } from '../boil-log/index.js';
import { readFormula, type DocumentStage, type Kitchen } from '../formula/index.js';
import { BUTTER, documentOf } from '../testing/formula.js';
import { logFrom } from '../testing/log.js';
import { massOfPot, simulateBoil } from '../thermal/index.js';
import { evidenceOf, type BoilEvidence } from './boil-evidence.js';
import { learnFrom, taught } from './learn.js';

const HERE: Kitchen = { altitude_m: 700 };
const HOUR_S = 3600;
const event = logFrom(Date.parse('2026-10-03T07:00:00.000Z'));

const IN_THE_OVEN: DocumentStage = { where: 'oven', lid: 'off', heat: 'low', time: '7 h' };
const PEAR_BUTTER = documentOf(
  [
    ['3.4 kg', 'pear', 'puree'],
    ['400 g', 'white-sugar'],
  ],
  { ...BUTTER, stages: [IN_THE_OVEN] },
);

/** A butter cooked for seven hours, weighed every two, by an oven that dries so much as is usual. */
function cooked(share: number, seed: number, more: readonly BatchEvent[] = []): Boil {
  const pot = preparePot(readFormula(PEAR_BUTTER, HERE).formula);
  const [heating] = pot?.rule.cook.heatings ?? [];
  if (!pot || !heating) throw new Error('nothing cooks');
  const weighings: BatchEvent[] = [];
  simulateBoil({ ...panOf(pot.contents) }, panOfStage(pot.rule.cook, 0), {
    net_W: () => heating.heat_W.mid * share,
    fluctuation: 0.03,
    seed,
    readEvery_s: HOUR_S,
    step_s: 10,
    most_s: 7 * HOUR_S,
    until: (state, time_s) => {
      if (time_s > 0 && time_s % (2 * HOUR_S) === 0)
        weighings.push(event('weighed', time_s, { mass_kg: massOfPot(state) }));
      return false;
    },
  });
  return boilFrom([
    event('light', 0, { gelTemperature_C: 103, boilingPoint_C: 97.6 }),
    ...weighings,
    ...more,
    event('done', 7 * HOUR_S, {}),
  ]);
}

const said = (share: number, seed: number, more?: readonly BatchEvent[]) =>
  evidenceOf(PEAR_BUTTER, cooked(share, seed, more), HERE);
const several = (share: number): BoilEvidence[] =>
  [1, 2, 3].flatMap((seed) => said(share, seed) ?? []);

test('a long cook that was weighed tells what its place loses, and nothing of ring or thermometer', () => {
  const usual = said(1, 1)?.losses?.[0];
  const dry = said(1.25, 1)?.losses?.[0];
  expect(usual).toMatchObject({ where: 'oven', lid: 'off', heat: 'low' });
  expect(said(1, 1)).not.toHaveProperty('logHeat_W');
  expect(Math.exp((dry?.logLoss.mid ?? 0) - (usual?.logLoss.mid ?? 0))).toBeCloseTo(1.25, 1);
});

test('something put in between tells of nothing', () => {
  const juice = event('addition', 5 * HOUR_S, { text: '300 ml water' });
  expect(said(1, 1, [juice])).toBeUndefined();
});

test('one weight says nothing of a loss', () => {
  const boil = cooked(1, 4);
  expect(evidenceOf(PEAR_BUTTER, { ...boil, weighings: boil.weighings.slice(1, 2) }, HERE)).toBe(
    undefined,
  );
});

test('the next butter of a kitchen whose oven dries quickly is foretold smaller, and with less doubt', () => {
  const yieldIn = (kitchen: Kitchen) => {
    const balanced = balance(readFormula(PEAR_BUTTER, kitchen).formula);
    if (!balanced) throw new Error('nothing cooks');
    return balanced.finish.volume_ml;
  };
  const lessons = learnFrom(several(1.25), HERE);
  const [oven] = lessons.places;
  expect(oven?.loss_kgPerH.boils).toBe(3);
  expect((oven?.loss_kgPerH.value.mid ?? 0) / (oven?.loss_kgPerH.without.mid ?? 1)).toBeCloseTo(
    1.25,
    1,
  );
  const before = yieldIn(HERE);
  const after = yieldIn(taught(HERE, lessons));
  expect(after.mid).toBeLessThan(before.mid * 0.9);
  expect(after.high - after.low).toBeLessThan((before.high - before.low) * 0.8);
});

test('no loss is learned for another place, lid or heat', () => {
  const { learned: { losses = [] } = {} } = taught(HERE, learnFrom(several(1.25), HERE));
  expect(losses).toHaveLength(1);
  const covered = { ...PEAR_BUTTER, stages: [{ ...IN_THE_OVEN, lid: 'on' as const }] };
  const balanced = (kitchen: Kitchen) => balance(readFormula(covered, kitchen).formula);
  expect(balanced({ ...HERE, learned: { losses } })).toEqual(balanced(HERE));
});
