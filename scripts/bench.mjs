// How fast the core is: medians, with growth at ten and a hundred times the work, against the
// limits we hold ourselves to; then how good its forecasts are.
import {
  balance,
  BoilingCurve,
  forecast,
  foundRecipe,
  GEL_RISE_C,
  parseAmount,
  readFormula,
  readLine,
  sampleBalance,
  saturationTemperature_C,
  simulateBoil,
} from '@idle-kettle/core';
import { benchBoils } from './bench-boils.mjs';
import { benchPots } from './bench-pots.mjs';
import { benchSeason } from './bench-season.mjs';

const SEA_LEVEL_KPA = 101.325;

/**
 * Median milliseconds of a call: as many runs as fit in about a second, at least three, after a
 * warm-up of a fifth of that.
 */
function median(work) {
  const warm = performance.now() + 200;
  do work();
  while (performance.now() < warm);
  const times = [];
  const until = performance.now() + 1000;
  while (times.length < 3 || (performance.now() < until && times.length < 2000)) {
    const from = performance.now();
    work();
    times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

/** A conserve of ten lines, said over and over for a longer one. */
const TEN = [
  ['damson', '2.4 kg'],
  ['quince', '600 g'],
  ['bitter-orange', '300 g'],
  ['apple-juice', '250 ml'],
  ['water', '300 ml'],
  ['lemon-juice-bottled', '4 tbsp'],
  ['white-sugar', '2 kg'],
  ['honey', '200 g'],
  ['ground-spice', '1 tsp'],
  ['liqueur', '2 tbsp'],
];
function conserve(times) {
  const { formula, problems } = readFormula(
    {
      format: 'idle-kettle/formula',
      version: 1,
      title: 'Conserve',
      kind: 'conserve',
      method: 'long-boil',
      finish: { type: 'gel-temperature' },
      jars: [{ size: 'half-pint' }],
      lines: TEN.map(([ingredient, amount]) => ({ ingredient, amount })),
    },
    { altitude_m: 1180 },
  );
  if (problems.length > 0) throw new Error(problems[0].message);
  const lines = Array.from({ length: times }, () => formula.lines).flat();
  return { ...formula, lines: lines.map((line, index) => ({ ...line, index })) };
}

const POT = { soluble: 1.12, insoluble: 0.05, water: 1.23, invertShare: 0.08, temperature_C: 70 };
const KETTLE = { curve: BoilingCurve.solved(SEA_LEVEL_KPA, 0.5), diameter_m: 0.3, pH: 3.1 };
const boil = (seconds, readEvery_s, net_W = 300) =>
  simulateBoil(POT, KETTLE, {
    net_W: () => net_W,
    seed: 7,
    step_s: 1,
    readEvery_s,
    most_s: seconds,
  });
const forecastOf = (readings) => {
  const observations = boil(2000, 1, 700).readings.slice(0, 2000);
  const more = Array.from({ length: readings / 2000 }, (_, i) =>
    observations.map((observation) => ({
      ...observation,
      time_s: observation.time_s + i / (readings / 2000),
    })),
  ).flat();
  return {
    start: POT,
    startDoubt: 0.05,
    pressure_kPa: SEA_LEVEL_KPA,
    pH: 3.1,
    diameter_m: 0.3,
    net_W: { low: 1000, mid: 1550, high: 2400 },
    offset_K: { low: -0.2, mid: 0, high: 0.2 },
    observations: more,
    target: { type: 'temperature', reading_C: saturationTemperature_C(SEA_LEVEL_KPA) + GEL_RISE_C },
    now_s: 2000,
  };
};

const WAYS = [
  '2 1/2 cups',
  '1½ lb',
  '4 lb 6 oz',
  'about 11 medium',
  'half a lemon',
  '1,2 kg',
  '3 Tbsp',
  '1 box',
  '5/8 cup',
  '1 1/2 pecks',
];

/** A recipe of sixty lines, as somebody might paste it. */
const SIXTY_LINES = [
  'Damson and quince conserve',
  'Ingredients',
  ...Array.from({ length: 5 }, () => [
    '2.4 kg damsons, washed and stoned',
    '1 large quince, peeled, cored and grated',
    '500 ml (18 fl oz) water',
    '2kg/4lb 8oz granulated sugar',
    'juice and finely grated zest of 2 lemons',
    '1/2 tsp freshly ground cloves',
  ]).flat(),
  'Method',
  ...Array.from(
    { length: 27 },
    (_, i) => `${i + 1}. Simmer for ${i + 5} minutes, then stir in 2 tbsp brandy.`,
  ),
  'Makes 9 jars of 340 g',
].join('\n');

const GENERATED_LINES = 100_000;
const GENERATED_POTS = 50_000;
const SOME_AMOUNTS = [
  '2 kg',
  '1 1/2 cups',
  '3-4 lb',
  '2 (12 oz) bags',
  'half a dozen',
  '1kg/2lb 4oz',
  '',
  'a pinch of',
  '5OO g',
  '½ tsp',
];
const SOME_FOODS = [
  'damsons, pitted',
  'ripe pears, peeled and cored',
  'sugar',
  'moonfruit',
  'lemon juice',
  'bay leaves',
  'blackcurrents',
  'water to cover',
  'apple butter',
  ')(;½/',
];

/** Reads many made-up lines: none may throw, give no number, or vanish. */
function benchReading() {
  const from = performance.now();
  let bad = 0;
  for (let i = 0; i < GENERATED_LINES; i++) {
    const text = `${SOME_AMOUNTS[i % 10]} ${SOME_FOODS[Math.floor(i / 10) % 10]}${i % 7 === 0 ? ` ${String.fromCharCode(32 + (i % 95))}${i}` : ''}`;
    const { parts, text: kept, problem, openAmount } = readLine(text);
    const isWhole = parts.every(
      ({ mass_kg }) => mass_kg === undefined || mass_kg.low <= mass_kg.high,
    );
    const isAnswered = parts.length > 0 || openAmount !== undefined || problem !== undefined;
    if (kept !== text || !isWhole || !isAnswered) bad++;
  }
  const each = ((performance.now() - from) / GENERATED_LINES) * 1000;
  console.log(
    `${GENERATED_LINES} generated lines read: ${bad} lost or without a number, ${each.toFixed(0)} µs a line`,
  );
  return bad === 0;
}

const CASES = [
  [
    'balance of a 10-line formula',
    0.3,
    (n) => {
      const formula = conserve(n);
      return () => balance(formula);
    },
  ],
  [
    'the same with 2,000 samples',
    400,
    (n) => {
      const formula = conserve(1);
      return () => sampleBalance(formula, { samples: 2000 * n, seed: 7 });
    },
  ],
  [
    'forecast at 2,000 readings',
    20,
    (n) => {
      const input = forecastOf(2000 * n);
      return () => forecast(input);
    },
  ],
  ['simulating 60 min at 1 s steps', 10, (n) => () => boil(3600 * n, 30)],
  [
    'parsing 1,000 amounts',
    5,
    (n) => () => {
      for (let i = 0; i < 1000 * n; i++) parseAmount(WAYS[i % WAYS.length]);
    },
  ],
  [
    'reading a recipe of 60 lines',
    10,
    (n) => () => {
      for (let i = 0; i < n; i++) foundRecipe(SIXTY_LINES);
    },
  ],
];

const told = (ms) => (ms < 10 ? ms.toFixed(2) : ms.toFixed(0)).padStart(9);
console.log(`${'median ms'.padEnd(34)}        1x      10x     100x     limit`);
let slow = 0;
for (const [name, limit, make] of CASES) {
  const [one, ten, hundred] = [1, 10, 100].map((n) => median(make(n)));
  if (one >= limit) slow++;
  console.log(
    `${name.padEnd(34)}${told(one)}${told(ten)}${told(hundred)}${told(limit)}${one < limit ? '' : '  over'}`,
  );
}
/** Edits for the worse of many made-up pots: none may be rewarded. */
function benchVerdicts() {
  const { wrong, verdicts, sweeter } = benchPots(GENERATED_POTS);
  const told = Object.entries(verdicts).map(([verdict, count]) => `${verdict} ${count}`);
  console.log(
    `${GENERATED_POTS} generated pots (${told.join(', ')}), one edit for the worse each: ${wrong.length} kinder or shorter, ${sweeter} sweeter than 55 % without their acid`,
  );
  for (const each of wrong.slice(0, 5)) console.log(each);
  return wrong.length === 0;
}
const kept = [benchReading(), benchVerdicts(), benchBoils(), benchSeason()];
process.exitCode = slow > 0 || kept.includes(false) ? 1 : 0;
