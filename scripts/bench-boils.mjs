// How good the time left is that the Boil station tells: simulated boils of 12 formulas in 4
// kitchens, five minutes before the end.
import {
  boilFrom,
  boilingPointAt,
  gelTemperature_C,
  preparePot,
  readFormula,
  saturationTemperature_C,
  seeded,
  simulateFormula,
  standardPressure_kPa,
  STARTERS,
  watchBoil,
} from '@idle-kettle/core';

/** Nobody has looked at these before writing them down; none is dropped. */
const SEED = 20261125;
const START = Date.parse('2026-11-25T18:00:00.000Z');
const TO_GO_S = 300;
/** Height, heat into the pan, what the thermometer reads too much. */
const KITCHENS = [
  [40, 1350, -0.5],
  [560, 2200, 0.3],
  [1240, 1600, 0.6],
  [2100, 1850, -0.2],
];
/** Eight to the gel line, one to its solids, three by the minute. */
const FORMULAS = STARTERS.filter(
  ({ finish, method }) =>
    finish.type === 'gel-temperature' ||
    finish.type === 'soluble-solids' ||
    (finish.type === 'hard-boil' && method !== 'calcium-pectin'),
)
  .slice(0, 11)
  .concat(STARTERS.filter(({ kind }) => kind === 'syrup'));
const LIMITS = { median: 1, ninety: 2.2, held: [0.85, 0.97], width: 5 };

const quantile = (values, p) =>
  values.toSorted((a, b) => a - b)[
    Math.min(Math.round((values.length - 1) * p), values.length - 1)
  ];
const event = (type, seconds, body) => ({
  id: `${type}-${seconds}`,
  type,
  at: new Date(START + seconds * 1000).toISOString(),
  device: 'bench',
  body,
});

function boil(document, [altitude_m, net_W, offset_K], seed) {
  const kitchen = {
    altitude_m,
    boilingPoint_C: saturationTemperature_C(standardPressure_kPa(altitude_m)) + offset_K,
  };
  const pot = preparePot(readFormula(document, { altitude_m }).formula);
  const drift_KPerH = seeded(seed).normal() * 0.3;
  const gel = gelTemperature_C(kitchen);
  const gels = document.finish.type === 'gel-temperature';
  const truth = simulateFormula(
    pot,
    {
      net_W: () => net_W,
      fluctuation: 0.05,
      instruments: {
        noise_K: 0.3,
        offset_K,
        drift_KPerH,
        scaleNoise_kg: 0.01,
        brixNoise_percent: 0.5,
      },
      seed,
      readEvery_s: 30,
      ...(gels && {
        until: (state, time) => state.temperature_C + offset_K + (drift_KPerH * time) / 3600 >= gel,
      }),
    },
    { temperature_C: document.finish.type === 'hard-boil' ? 20 : 60 },
  );
  const now = truth.end_s - TO_GO_S;
  const log = boilFrom([
    event('light', 0, {
      gelTemperature_C: gel,
      boilingPoint_C: boilingPointAt(kitchen).boilingPoint_C.mid,
    }),
    ...truth.readings
      .filter(({ time_s }) => time_s <= now)
      .map(({ time_s, temperature_C }) => event('reading', time_s, { temperature_C })),
  ]);
  const left = watchBoil(log, document, kitchen, START + now * 1000)?.forecast.left_s;
  return (
    left && {
      error: Math.abs(left.mid - TO_GO_S) / 60,
      width: (left.high - left.low) / 60,
      held: left.low <= TO_GO_S && TO_GO_S <= left.high,
    }
  );
}

/** Prints a row a formula and one for all. @returns whether every limit was kept */
export function benchBoils() {
  console.log(
    `\ntime left, ${TO_GO_S / 60} min before the end     median   90 %   held  width (minutes; ${KITCHENS.length} kitchens, noise 0.3 °C, a reading each 30 s)`,
  );
  const all = [];
  const row = (name, boils) => {
    const errors = boils.map(({ error }) => error);
    const [median, ninety] = [quantile(errors, 0.5), quantile(errors, 0.9)];
    const held = boils.filter((each) => each.held).length / boils.length;
    const width = quantile(
      boils.map((each) => each.width),
      0.5,
    );
    console.log(
      `${name.slice(0, 36).padEnd(38)}${median.toFixed(2).padStart(6)} ${ninety.toFixed(2).padStart(6)} ${`${(held * 100).toFixed(0)} %`.padStart(6)} ${width.toFixed(1).padStart(6)}`,
    );
    return { median, ninety, held, width };
  };
  FORMULAS.forEach((document, i) => {
    const boils = KITCHENS.map((kitchen, k) => boil(document, kitchen, SEED + i * 10 + k));
    if (boils.some((each) => each === undefined))
      throw new Error(`${document.title}: nothing was forecast`);
    row(document.title, boils);
    all.push(...boils);
  });
  const { median, ninety, held, width } = row(
    `all ${all.length} boils of ${FORMULAS.length} formulas`,
    all,
  );
  const [least, most] = LIMITS.held;
  const kept =
    median < LIMITS.median &&
    ninety < LIMITS.ninety &&
    held >= least &&
    held <= most &&
    width <= LIMITS.width;
  console.log(
    `limit                                   < ${LIMITS.median}  < ${LIMITS.ninety}  ${least * 100}-${most * 100} %  <= ${LIMITS.width}${kept ? '' : '   not kept'}`,
  );
  return kept;
}
