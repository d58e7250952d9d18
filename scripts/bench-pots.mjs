// Made-up pots and edits of them that must never make a verdict kinder, nor a process shorter.
import { computeFormula, INGREDIENTS, linesFrom, readLine } from '@idle-kettle/core';

const STRICTNESS = ['shelf', 'fridge', 'freezer', 'stop'];
/** Acid that counts: what is taken away of it must cost something, or nothing. */
const COUNTED_ACID = new Set([
  'lemon-juice-bottled',
  'lime-juice-bottled',
  'citric-acid',
  'tartaric-acid',
  'malic-acid',
  'cider-vinegar',
  'wine-vinegar',
  'distilled-vinegar',
]);
const byClass = (...classes) =>
  INGREDIENTS.filter(
    ({ acidClass, category }) =>
      classes.includes(acidClass) && (category === 'fruit' || category === 'vegetable'),
  ).map(({ id }) => id);
const ACID_FRUIT = byClass('acid', 'borderline');
const LOW_ACID = byClass('low-acid');
const REFUSED = INGREDIENTS.filter(({ acidClass }) => acidClass === 'refused').map(({ id }) => id);
const UNKNOWN = ['moonfruit', 'grandmother’s paste', 'gloop', 'xyzzy jelly'];
const KINDS = [
  ['jam', 'long-boil', { type: 'gel-temperature' }],
  ['jam', 'powdered-pectin', { type: 'hard-boil', minutes: 1 }],
  ['jam', 'calcium-pectin', { type: 'hard-boil', minutes: 2 }],
  ['jelly', 'long-boil', { type: 'gel-temperature' }],
  ['marmalade', 'long-boil', { type: 'gel-temperature' }],
  ['conserve', 'long-boil', { type: 'soluble-solids', percent: 62 }],
  ['fruit-butter', 'no-gel', { type: 'consistency', percent: 34 }],
  ['syrup', 'no-gel', { type: 'soluble-solids', percent: 58 }],
  ['savoury-jelly', 'liquid-pectin', { type: 'hard-boil', minutes: 1 }],
  ['jellied-sauce', 'long-boil', { type: 'gel-temperature' }],
];
const EXTRAS = [
  ['water', 20, 900],
  ['butter', 1, 30],
  ['cooking-oil', 1, 60],
  ['ground-spice', 1, 20],
  ['fresh-herb', 1, 30],
  ['nuts', 20, 200],
  ['wine', 20, 300],
  ['pectin-powder', 20, 60],
  ['onion', 20, 300],
  ['garlic', 5, 60],
];

/** Numbers from 0 to 1 that are the same each time: a linear congruence (Numerical Recipes). */
function seeded(seed) {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/** A pot as a household might write it, and now and then as it should not. */
function potOf(random) {
  const one = (list) => list[Math.floor(random() * list.length)];
  const grams = (least, most) => `${(least + random() * (most - least)).toFixed(1)} g`;
  const [kind, method, finish] = one(KINDS);
  const fruits = Array.from({ length: 1 + Math.floor(random() * 2.5) }, () => ({
    ingredient: one(random() < 0.85 ? ACID_FRUIT : LOW_ACID),
    amount: grams(200, 2500),
    ...(kind === 'jelly' || kind === 'syrup' ? { form: 'juice' } : {}),
    ...(random() < 0.1 ? { ripeness: 'over-ripe' } : {}),
  }));
  const lines = [
    ...fruits,
    ...(random() < 0.92 ? [{ ingredient: 'white-sugar', amount: grams(200, 2200) }] : []),
    ...(random() < 0.6 ? [{ ingredient: one([...COUNTED_ACID]), amount: grams(2, 160) }] : []),
    ...(random() < 0.35
      ? [EXTRAS[Math.floor(random() * EXTRAS.length)]].map(([ingredient, least, most]) => ({
          ingredient,
          amount: grams(least, most),
        }))
      : []),
  ];
  return {
    format: 'idle-kettle/formula',
    version: 1,
    title: 'pot',
    kind,
    method,
    finish,
    lines,
    place: { altitude: `${Math.round(random() * 2800)} m` },
    jars: [{ size: one(['4-oz', 'half-pint', '340-g', 'pint', 'quart']) }],
    preSterilised: random() < 0.4,
    processing: one(['boiling-water', 'boiling-water', 'steam']),
  };
}

const withLines = (pot, lines) => ({ ...pot, lines });
const half = ({ amount, ...line }, share) => ({
  ...line,
  amount: `${(Number.parseFloat(amount) * share).toFixed(6)} g`,
});

/** Edits that can only make it worse, each with a name. */
const EDITS = {
  'low-acid produce added': (pot, random) =>
    withLines(pot, [
      ...pot.lines,
      {
        ingredient: LOW_ACID[Math.floor(random() * LOW_ACID.length)],
        amount: `${(1 + random() * 600).toFixed(1)} g`,
      },
    ]),
  'what is refused added': (pot, random) =>
    withLines(pot, [
      ...pot.lines,
      {
        ingredient: REFUSED[Math.floor(random() * REFUSED.length)],
        amount: `${(1 + random() * 200).toFixed(1)} g`,
      },
    ]),
  'something unknown added': (pot, random) =>
    withLines(pot, [
      ...pot.lines,
      ...linesFrom(readLine(`100 g ${UNKNOWN[Math.floor(random() * UNKNOWN.length)]}`)),
    ]),
  'an ingredient of one’s own added': (pot) =>
    withLines(pot, [
      ...pot.lines,
      {
        name: 'sharp syrup',
        amount: '120 g',
        composition: { solubleSolidsPercent: 40, pH: 2.4, titratableAcidityPercent: 6 },
      },
    ]),
  'counted acid removed': (pot) =>
    withLines(
      pot,
      pot.lines.filter(({ ingredient }) => !COUNTED_ACID.has(ingredient)),
    ),
  'a line split in two': (pot, random) => {
    const at = Math.floor(random() * pot.lines.length);
    const share = 0.1 + random() * 0.8;
    return withLines(
      pot,
      pot.lines.flatMap((line, i) =>
        i === at ? [half(line, share), half(line, 1 - share)] : [line],
      ),
    );
  },
  'a line renamed to something unknown': (pot, random) => {
    const at = Math.floor(random() * pot.lines.length);
    return withLines(
      pot,
      pot.lines.map((line, i) => (i === at ? { ...line, ingredient: 'moonfruit' } : line)),
    );
  },
};

const said = ({ verdict, process }) =>
  process ? `${verdict}, ${process.minutes} min (${process.row})` : verdict;
const kept = (pot) => computeFormula(pot).keeping;

/**
 * With its acid goes the acid's water: a spread that thereby passes 55 % solids has the row of a
 * sweet one in sterilised jars. Counted by itself, not as a fault.
 */
const isSweeterNow = (before, after) =>
  before.reasons.some(({ code }) => code === 'low-solids-process') && after.process.preSterilise;

/**
 * Made-up pots, one edit each: how many became kinder, or shorter where both are processed.
 *
 * @param {number} count
 */
export function benchPots(count) {
  const random = seeded(4780);
  const names = Object.keys(EDITS);
  const wrong = [];
  let sweeter = 0;
  const verdicts = { shelf: 0, fridge: 0, freezer: 0, stop: 0 };
  for (let i = 0; i < count; i++) {
    const pot = potOf(random);
    const name = names[i % names.length];
    const after = EDITS[name](pot, random);
    const [one, other] = [kept(pot), kept(after)];
    verdicts[one.verdict]++;
    const isKinder = STRICTNESS.indexOf(other.verdict) < STRICTNESS.indexOf(one.verdict);
    const isShorter = one.process && other.process && other.process.minutes < one.process.minutes;
    if (isShorter && !isKinder && isSweeterNow(one, other)) sweeter++;
    else if (isKinder || isShorter)
      wrong.push({ name, from: said(one), to: said(other), pot: JSON.stringify(pot) });
  }
  return { wrong, verdicts, sweeter };
}
