import fc from 'fast-check';
import { saturationPressure_kPa, saturationTemperature_C } from '../water/index.js';
import { MEAN_CURVE, NORRISH, solidsAtActivity, STARZAK_PEACOCK } from '../syrup/index.js';
import { documentOf, pot } from '../testing/formula.js';
import { report } from '../testing/report.js';
import { balance } from './balance.js';
import { gelCurve, solidsAtConsistency } from './finish.js';
import { preparePot } from './prepare.js';

/** The boiling curve solved in full: soluble solids of a pot that boils `rise_K` above water. */
function solved(rise_K: number, invert: number, curve: number, pressure_kPa: number): number {
  const temperature = saturationTemperature_C(pressure_kPa) + rise_K;
  return solidsAtActivity(
    Math.log(pressure_kPa / saturationPressure_kPa(temperature)),
    temperature,
    invert,
    curve,
  );
}

test('the bent curve of the finish stays within 0.15 per cent solids of the solver, at every height', () => {
  let worst = 0;
  fc.assert(
    fc.property(
      fc.double({ min: 62, max: 103, noNaN: true }),
      fc.double({ min: 3.2, max: 5.5, noNaN: true }),
      fc.double({ min: 0.15, max: 0.8, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.constantFrom(STARZAK_PEACOCK, MEAN_CURVE, NORRISH),
      fc.double({ min: 0.1, max: 0.6, noNaN: true }),
      (pressure, rise, doubt, across, curve, guess) => {
        const bent = gelCurve(
          { low: rise - doubt, mid: rise, high: rise + doubt },
          guess,
          pressure,
        );
        // One thing at a time, as the balance moves them.
        const at = rise - doubt + 2 * doubt * across;
        const invert = Math.max(guess - 0.2, 0) + across * 0.4;
        for (const [r, i, c] of [
          [at, guess, MEAN_CURVE],
          [rise, invert, MEAN_CURVE],
          [rise, guess, curve],
        ] as const)
          worst = Math.max(
            worst,
            Math.abs(bent.solidsAt(r, i, c) - solved(r, i, c, pressure)) * 100,
          );
      },
    ),
  );
  report(
    `gel curve of the balance against its solver: worst ${worst.toFixed(3)} per cent soluble solids`,
  );
  expect(worst).toBeLessThan(0.15);
});

test.each([
  [
    '8 F above water is about 65 % (the trade says 65 at 104 to 105 C at sea level)',
    4.44,
    63,
    67.5,
  ],
  ['a softer stop is thinner', 3.5, 57, 63],
])('%s', (_, rise, least, most) => {
  const percent =
    gelCurve({ low: rise, mid: rise, high: rise }, 0.3, 101.325).solidsAt(rise, 0.3, MEAN_CURVE) *
    100;
  expect(percent).toBeGreaterThan(least);
  expect(percent).toBeLessThan(most);
});

test('a butter stops where makers stop it: 20-35 % plain, 32-53 % sweetened', () => {
  expect(solidsAtConsistency(0)).toEqual({ low: 0.2, mid: 0.275, high: 0.35 });
  expect(solidsAtConsistency(0.9)).toEqual({ low: 0.32, mid: 0.425, high: 0.53 });
  const plain = solidsAtConsistency(0.2);
  expect(plain.mid).toBeGreaterThan(0.275);
  expect(plain.mid).toBeLessThan(0.425);
});

test('a prepared pan and its balance are the same pan; an empty one is neither', () => {
  const formula = pot(
    documentOf([
      ['2 kg', 'plum'],
      ['1.8 kg', 'white-sugar'],
    ]),
  );
  const made = balance(formula);
  expect(preparePot(formula)?.outcome.finished).toBeCloseTo(made?.finish.mass_kg.mid ?? NaN, 9);
  expect(preparePot({ ...formula, lines: [] })).toBeNull();
  expect(balance({ ...formula, lines: [] })).toBeNull();
});

test('a kitchen that boils faster is at the finish sooner, with less of its sugar inverted', () => {
  const formula = pot(
    documentOf([
      ['2 kg', 'plum'],
      ['400 ml', 'water'],
      ['1.8 kg', 'white-sugar'],
    ]),
  );
  const at = (perH: number): ReturnType<typeof balance> =>
    balance({ ...formula, pan: { evaporation_kgPerH: perH * 4.2 } });
  const [slow, fast] = [at(0.3), at(1.2)];
  expect(fast?.boilMinutes.mid).toBeLessThan((slow?.boilMinutes.mid ?? 0) * 0.4);
  expect(fast?.inversionPercent.mid).toBeLessThan(slow?.inversionPercent.mid ?? 0);
});
