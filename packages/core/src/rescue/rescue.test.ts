import { BUTTER, CALCIUM, CURD, documentOf, pot } from '../testing/formula.js';
import { rescueOf } from './remake.js';

// USDA Complete Guide to Home Canning, Guide 7, remaking soft jellies (from memory), per quart (4
// cups) of spread.
const TABLE = {
  powdered: [
    '1/4 cup white-sugar',
    '1/2 cup water',
    '2 tbsp lemon-juice-bottled',
    '4 tsp pectin-powder',
  ],
  liquid: ['3/4 cup white-sugar', '2 tbsp lemon-juice-bottled', '2 tbsp pectin-liquid'],
  none: ['2 tbsp lemon-juice-bottled'],
} as const;

/** A soft jelly that fills four cups. */
const FOUR_CUPS = pot(
  documentOf(
    [
      ['1 l', 'strawberry', 'juice'],
      ['660 g', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ),
);

test('a quart of soft spread gets the published amounts', () => {
  const rescue = rescueOf(FOUR_CUPS);
  const cups = (rescue?.spread_ml ?? 0) / 236.588;
  expect(Math.abs(cups - 4)).toBeLessThan(0.6);
  const scale = cups / 4;
  expect(rescue?.ways.map(({ way }) => way)).toEqual(Object.keys(TABLE));
  for (const way of Object.keys(TABLE) as (keyof typeof TABLE)[]) {
    const remake = rescue?.ways.find((other) => other.way === way);
    expect(remake?.batches).toBe(1);
    expect(remake?.lines.map(({ ingredient }) => ingredient)).toEqual(
      TABLE[way].map((line) => line.split(' ').at(-1)),
    );
    // 2 tbsp scaled to what there is.
    const lemon =
      remake?.lines.find(({ ingredient }) => ingredient === 'lemon-juice-bottled')?.amount ?? '';
    expect(lemon).toMatch(/tbsp/);
    expect(remake?.steps.some((step) => /boil/i.test(step))).toBe(true);
  }
  expect(scale).toBeGreaterThan(0.8);
});

test('more than 6 cups is remade in batches of 4 to 6', () => {
  const rescue = rescueOf(
    pot(
      documentOf([
        ['4 kg', 'strawberry'],
        ['3 kg', 'white-sugar'],
      ]),
    ),
  );
  for (const { batches, cupsAtOnce } of rescue?.ways ?? []) {
    expect(batches).toBeGreaterThan(1);
    expect(cupsAtOnce).toBeLessThanOrEqual(6);
    expect(cupsAtOnce).toBeGreaterThan(3);
  }
});

test('the likely cause is named', () => {
  expect(rescueOf(FOUR_CUPS)?.causes.map(({ code }) => code)).toContain('little-pectin');
  const doubled = documentOf(
    [
      ['10 cups', 'raspberry', 'crushed'],
      ['2 boxes', 'pectin-powder'],
      ['14 cups', 'white-sugar'],
    ],
    { method: 'powdered-pectin', finish: { type: 'hard-boil', minutes: 1 } },
  );
  expect(rescueOf(pot(doubled))?.causes.map(({ code }) => code)).toContain('batch-doubled');
});

test('what has no gel is not remade', () => {
  expect(rescueOf(pot(documentOf([['3 kg', 'applesauce']], BUTTER)))).toBeUndefined();
  expect(
    rescueOf(
      pot(
        documentOf(
          [
            ['200 ml', 'lemon-juice-bottled'],
            ['3 each', 'egg'],
          ],
          CURD,
        ),
      ),
    ),
  ).toBeUndefined();
});

// Under 55 % solids high-methoxyl pectin does not gel: calcium pectin does. Common practice.
test('a light spread is remade with calcium pectin, in spoons one has', () => {
  const rescue = rescueOf(
    pot(
      documentOf(
        [
          ['9 cups', 'peach', 'crushed'],
          ['2 cups', 'white-sugar'],
          ['2 tsp', 'pectin-calcium'],
        ],
        CALCIUM,
      ),
    ),
  );
  expect(rescue?.ways.map(({ way }) => way)).toEqual(['calcium']);
  const [remake] = rescue?.ways ?? [];
  expect(remake?.batches).toBeGreaterThan(1);
  expect(remake?.cupsAtOnce).toBeGreaterThanOrEqual(4);
  for (const { amount } of remake?.lines ?? [])
    expect(amount).toMatch(/^[\d /½¼¾⅛⅜⅝⅞]+(?:tsp|tbsp|cups?)$/);
});
