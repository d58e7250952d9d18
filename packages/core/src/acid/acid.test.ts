import fc from 'fast-check';
import { acidContentOf, atRipeness, titratablePercentOf } from './content.js';
import { noAcid, pHOf, type AcidContent } from './charge.js';
import { errorsAgainst } from '../testing/report.js';

const of = (part: Partial<AcidContent>): AcidContent => ({ ...noAcid(), ...part });
const CITRIC = { citric: 1, malic: 0, tartaric: 0, acetic: 0 };

const buffers = errorsAgainst('pH of standard buffers and plain acids', 'pH');
// Standard buffers and simple solutions at 25 C: NIST/IUPAC primary standards and the CRC Handbook,
// from memory.
test.each<[string, Partial<AcidContent>, number, number]>([
  [
    '0.05 m potassium dihydrogen citrate (IUPAC primary standard)',
    { citric: 0.05, cation: 0.05 },
    3.776,
    0.03,
  ],
  [
    'potassium hydrogen tartrate, saturated, about 0.034 m (IUPAC primary standard)',
    { tartaric: 0.034, cation: 0.034 },
    3.557,
    0.03,
  ],
  ['0.1 M acetic acid (CRC)', { acetic: 0.1 }, 2.88, 0.02],
  ['0.1 M citric acid (CRC)', { citric: 0.1 }, 2.08, 0.03],
  [
    '0.1 M acetic acid and 0.1 M sodium acetate (CRC: 4.65)',
    { acetic: 0.2, cation: 0.1 },
    4.65,
    0.03,
  ],
])('%s', (_, content, expected, tolerance) =>
  expect(buffers(pHOf(of(content), 1) - expected)).toBeLessThan(tolerance),
);

test('a fruit inferred from its pH and acidity gives both back', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 5, noNaN: true }),
      fc.double({ min: 2.5, max: 6, noNaN: true }),
      fc.constantFrom(
        CITRIC,
        { citric: 0.05, malic: 0.95, tartaric: 0, acetic: 0 },
        { citric: 0.05, malic: 0.4, tartaric: 0.55, acetic: 0 },
      ),
      (ta, pH, shares) => {
        const content = acidContentOf(ta, pH, shares);
        // So little acid cannot be that sour by itself: then there is no base and the pH is that of
        // the acid alone.
        fc.pre(content.cation > 1e-6 && content.cation < (0.9 * (ta * 10)) / 64.04);
        expect(Math.abs(pHOf(content, 1) - pH)).toBeLessThan(0.08);
        expect(Math.abs(titratablePercentOf(content, 1, pH) / ta - 1)).toBeLessThan(0.1);
      },
    ),
  );
});

test('riper at the same potassium: the pH asked for, with less acid', () => {
  const apricot = acidContentOf(1.2, 3.7, { citric: 0.2, malic: 0.8, tartaric: 0, acetic: 0 });
  const ripe = atRipeness(apricot, 4.8);
  expect(pHOf(ripe, 1)).toBeCloseTo(4.8, 2);
  expect(ripe.cation).toBe(apricot.cation);
  expect(ripe.malic).toBeLessThan(apricot.malic);
});

test('more acid never raises pH, diluting an acid never lowers it', () => {
  fc.assert(
    fc.property(
      fc.record({
        citric: fc.double({ min: 0, max: 0.3, noNaN: true }),
        malic: fc.double({ min: 0, max: 0.3, noNaN: true }),
        acetic: fc.double({ min: 0, max: 1, noNaN: true }),
        protein: fc.double({ min: 0, max: 0.2, noNaN: true }),
        cation: fc.double({ min: 0, max: 0.2, noNaN: true }),
      }),
      fc.constantFrom('citric' as const, 'malic' as const, 'tartaric' as const, 'acetic' as const),
      fc.double({ min: 0.001, max: 0.5, noNaN: true }),
      (part, acid, more) => {
        const content = of(part);
        const before = pHOf(content, 1);
        // The ionic strength is stepped; 0.02 is what a step can move.
        expect(pHOf({ ...content, [acid]: content[acid] + more }, 1)).toBeLessThan(before + 0.02);
        if (part.cation === 0) expect(pHOf(content, 3)).toBeGreaterThan(before - 0.02);
        expect(before >= 0 && before <= 14).toBe(true);
      },
    ),
  );
});

// Common practice: crushed tomatoes at 4.6 with 1 tablespoon of bottled lemon juice a pint come to
// about 4.2 or less.
test('lemon juice in a pint of tomatoes', () => {
  const pint = 0.5;
  const tomato = acidContentOf(0.3, 4.6, { citric: 0.8, malic: 0.2, tartaric: 0, acetic: 0 });
  const lemon = acidContentOf(4.5, 2.4, CITRIC);
  const pot = of({});
  for (const key of ['citric', 'malic', 'tartaric', 'cation'] as const)
    pot[key] = tomato[key] * pint + lemon[key] * 0.0152;
  expect(pHOf(pot, pint + 0.0152)).toBeGreaterThan(4.0);
  expect(pHOf(pot, pint + 0.0152)).toBeLessThan(4.3);
});
