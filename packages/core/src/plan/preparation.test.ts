import { documentOf, pot, type Lines } from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { preparationOf, type PreparationStep } from './preparation.js';

const of = (lines: Lines, rest: Partial<FormulaDocument> = {}): readonly PreparationStep[] =>
  preparationOf(pot(documentOf(lines, rest)));
const find = (steps: readonly PreparationStep[], code: string): PreparationStep | undefined =>
  steps.find((step) => step.code === code);

// Common practice: peel soaks 12-18 h, flower infusions 15-24 h.
test('marmalade soaks its peel overnight', () => {
  const soak = find(
    of(
      [
        ['1 kg', 'bitter-orange'],
        ['2 l', 'water'],
        ['1.8 kg', 'white-sugar'],
      ],
      { kind: 'marmalade' },
    ),
    'soak',
  );
  expect(soak).toMatchObject({ handsOff: true, minutes: { least: 720, most: 1080 } });
});
test('a jelly is dripped, and grape juice settles too', () => {
  expect(
    find(
      of(
        [
          ['1 l', 'redcurrant', 'juice'],
          ['800 g', 'white-sugar'],
        ],
        { kind: 'jelly' },
      ),
      'drip',
    )?.handsOff,
  ).toBe(true);
  expect(
    find(
      of(
        [
          ['1 l', 'slip-skin-grape', 'juice'],
          ['800 g', 'white-sugar'],
        ],
        { kind: 'jelly' },
      ),
      'settle',
    ),
  ).toBeDefined();
  expect(
    find(
      of([
        ['1 kg', 'damson'],
        ['1 kg', 'white-sugar'],
      ]),
      'drip',
    ),
  ).toBeUndefined();
});
test.each([
  ['drip', ['simmer', 'drip']],
  ['drip-twice', ['simmer', 'drip', 'simmer-again', 'drip-again']],
  ['press', ['simmer', 'press']],
  ['steam', ['steam-juice']],
  ['raw', ['grind', 'drip']],
] as const)('juice by %s takes the steps of it, and no others', (juiceBy, wanted) => {
  const steps = of(
    [
      ['1 l', 'redcurrant', 'juice'],
      ['800 g', 'white-sugar'],
    ],
    { kind: 'jelly', juiceBy },
  );
  const all = /^(?:simmer|drip|press|grind|steam)/;
  expect(steps.map(({ code }) => code).filter((code) => all.test(code))).toEqual(wanted);
});
test('an infusion stands cold for 15 to 24 hours', () => {
  const infuse = find(
    of(
      [
        ['1 l', 'flower-infusion'],
        ['60 ml', 'lemon-juice-bottled'],
        ['800 g', 'white-sugar'],
      ],
      { kind: 'jelly' },
    ),
    'infuse',
  );
  expect(infuse?.minutes).toEqual({ least: 900, most: 1440 });
  expect(infuse?.caution).toMatch(/fridge/);
});
test('twice the fruit takes twice the hands, and hot peppers want gloves', () => {
  const minutes = (amount: string): number =>
    find(
      of([
        [amount, 'quince'],
        ['1 kg', 'white-sugar'],
      ]),
      'prepare-quince',
    )?.minutes.most ?? 0;
  expect(minutes('4 kg')).toBe(2 * minutes('2 kg'));
  expect(
    find(
      of([
        ['300 g', 'hot-pepper'],
        ['1 kg', 'white-sugar'],
      ]),
      'prepare-hot-pepper',
    )?.caution,
  ).toMatch(/gloves/);
});
