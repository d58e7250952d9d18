import { balance, type Balance } from '../balance/index.js';
import { burnerHeat_W } from '../thermal/index.js';
import { computeFormula } from '../keeping/index.js';
import { documentOf, POWDER } from '../testing/formula.js';
import { withPanAndBurner, type Kitchen } from './kitchen.js';
import { readFormula } from './read.js';
import type { FormulaDocument } from './document.js';

const made = (document: FormulaDocument, kitchen: Kitchen): Balance => {
  const result = balance(readFormula(document, { altitude_m: 300, ...kitchen }).formula);
  if (!result) throw new Error('nothing in the pan');
  return result;
};
const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['300 ml', 'water'],
  ['2.2 kg', 'white-sugar'],
]);
const BOXED = documentOf(
  [
    ['1.1 kg', 'sour-cherry', 'crushed'],
    ['1 box', 'pectin-powder'],
    ['1.25 kg', 'white-sugar'],
  ],
  POWDER,
);

test('a measured jar changes the count in inverse proportion', () => {
  const before = made(DAMSON, {}).jars[0]?.count.mid ?? 0;
  const after =
    made(DAMSON, { jars: [{ size: 'half-pint', volume_ml: 260 }] }).jars[0]?.count.mid ?? 0;
  expect(after / before).toBeCloseTo(236.6 / 260, 2);
});

test('a jar measured far over its name is processed as what it is', () => {
  const keep = (kitchen: Kitchen) =>
    computeFormula({ ...DAMSON, jars: [{ size: 'pint' }] }, { altitude_m: 300, ...kitchen }).keeping
      .verdict;
  expect(keep({ jars: [{ size: 'pint', volume_ml: 480 }] })).toBe('shelf');
  expect(keep({ jars: [{ size: 'pint', volume_ml: 700 }] })).toBe('fridge');
});

test('a stronger pectin sets firmer, a heavier box holds more of it; the keeping is as before', () => {
  const at = (profile: object): number =>
    made(BOXED, { pectins: [{ ingredient: 'pectin-powder', ...profile }] }).set.firmness.mid;
  const plain = made(BOXED, {}).set.firmness.mid;
  expect(at({ grade: 150 })).toBeCloseTo(plain, 1);
  expect(at({ grade: 200 })).toBeGreaterThan(plain * 1.15);
  expect(at({ packageMass_g: 35 })).toBeLessThan(plain * 0.85);
  const keeping = (kitchen: Kitchen) =>
    computeFormula(BOXED, { altitude_m: 300, ...kitchen }).keeping;
  const strong = keeping({
    pectins: [{ ingredient: 'pectin-powder', grade: 240, pectinPercent: 60 }],
  });
  expect(strong.worstPH).toBeCloseTo(keeping({}).worstPH, 2);
});

test('calcium water made twice as strong carries twice the calcium', () => {
  const { formula } = readFormula(
    documentOf([
      ['1 kg', 'pear'],
      ['4 tsp', 'calcium-water'],
    ]),
    {
      pectins: [{ ingredient: 'calcium-water', calciumTeaspoons: 1 }],
    },
  );
  expect(formula.lines[1]?.ingredient.calcium_mg).toBe(540);
});

test('a pan that drives off more shortens the boil; one too small is named', () => {
  const minutes = (kgPerH: number): number =>
    made(DAMSON, { pan: { evaporation_kgPerH: kgPerH } }).boilMinutes.mid;
  expect(minutes(1.2)).toBeGreaterThan(minutes(3));
  // A ring of 3.5 kW of gas puts about 1.6 kW into the pan: 2.2 kg of steam an hour, the rest goes
  // to the room (model study).
  const ring = made(DAMSON, { pan: { heat_W: burnerHeat_W('gas', 3.5) } }).boilMinutes.mid;
  expect(ring).toBeCloseTo(minutes(2.13), 0);
  const codes = (capacity_l: number): string[] =>
    made(DAMSON, { pan: { capacity_l } }).warnings.map(({ code }) => code);
  expect(codes(16)).not.toContain('pan-too-small');
  expect(codes(6)).toContain('pan-too-small');
});

describe('a boil that says which pan and ring it is on', () => {
  const kitchen: Kitchen = {
    pan: { capacity_l: 16, evaporation_kgPerH: 2.1, heat_W: 1575 },
    pans: [
      { id: 'wide', capacity_l: 16, evaporation_kgPerH: 2.1 },
      { id: 'steel', capacity_l: 8 },
    ],
    rings: [
      { id: 'big', heat_W: 1575 },
      { id: 'back', heat_W: 787.5 },
    ],
    learned: {
      heat_W: { low: 1200, mid: 1500, high: 1800 },
      stoves: [{ pan: 'steel', ring: 'back', heat_W: { low: 600, mid: 700, high: 800 } }],
    },
  };

  test('nothing said: the usual ones', () => {
    expect(withPanAndBurner(kitchen, {})).toBe(kitchen);
  });

  test('the pan’s own evaporation, less on a weaker ring than the one it was measured on', () => {
    expect(withPanAndBurner(kitchen, { pan: 'wide', ring: 'big' }).pan).toEqual({
      capacity_l: 16,
      evaporation_kgPerH: 2.1,
      heat_W: 1575,
    });
    expect(withPanAndBurner(kitchen, { pan: 'wide', ring: 'back' }).pan).toEqual({
      capacity_l: 16,
      evaporation_kgPerH: 1.05,
      heat_W: 787.5,
    });
    expect(withPanAndBurner(kitchen, { pan: 'steel', ring: 'big' }).pan).toEqual({
      capacity_l: 8,
      heat_W: 1575,
    });
  });

  test('what boils on them told beats what boils elsewhere did; a pan that is gone is the usual one', () => {
    expect(withPanAndBurner(kitchen, { pan: 'steel', ring: 'back' }).learned?.heat_W?.mid).toBe(
      700,
    );
    expect(withPanAndBurner(kitchen, { pan: 'wide', ring: 'back' }).learned?.heat_W?.mid).toBe(
      1500,
    );
    expect(withPanAndBurner(kitchen, { pan: 'sold', ring: 'big' }).pan).toEqual(kitchen.pan);
  });
});

test('a document with a place of its own keeps it, and still uses the kitchen’s jars', () => {
  const { formula } = readFormula(
    { ...DAMSON, place: { altitude: '100 m' } },
    { altitude_m: 1180, jars: [{ size: 'half-pint', volume_ml: 250 }] },
  );
  expect(formula.place).toEqual({ altitude_m: 100 });
  expect(formula.jars[0]?.jar.measured_ml).toBe(250);
});
