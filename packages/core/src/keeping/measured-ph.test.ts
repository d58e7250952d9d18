import { readFormula } from '../formula/index.js';
import { balance } from '../balance/index.js';
import { checkMeasuredPH } from './measured-ph.js';

const check = (
  value: number,
  ...lines: { ingredient?: string; name?: string; composition?: object; amount: string }[]
) => {
  const { formula } = readFormula({
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Pan',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [],
    lines,
  });
  const made = balance(formula);
  if (!made) throw new Error('nothing in the pan');
  return checkMeasuredPH({ value }, formula, made, true);
};

test('a reading that these ingredients cannot have is refused: the meter is wrong', () => {
  const corn = { ingredient: 'sweetcorn', amount: '2 kg' };
  const sugar = { ingredient: 'white-sugar', amount: '500 g' };
  expect(check(4.1, corn, sugar)).toMatchObject({
    ok: false,
    why: expect.stringContaining('check the meter') as string,
  });
  const lemon = { ingredient: 'lemon-juice-bottled', amount: '200 ml' };
  // So little lemon does not bring so much corn there.
  expect(check(4.1, corn, sugar, lemon)).toMatchObject({ ok: false });
  expect(
    check(4.1, { ingredient: 'fig', amount: '2 kg' }, sugar, { ...lemon, amount: '120 ml' }),
  ).toEqual({ ok: true, value: 4.1 });
  expect(check(3.0, { ingredient: 'cantaloupe', amount: '1 kg' })).toMatchObject({ ok: false });
  expect(check(4.1, { ingredient: 'tomato', amount: '2 kg' }, sugar)).toEqual({
    ok: true,
    value: 4.1,
  });
});

test('with an ingredient of one\u2019s own no reading counts', () => {
  const own = {
    name: 'moonfruit',
    composition: { solubleSolidsPercent: 12, pH: 3.5 },
    amount: '1 kg',
  };
  expect(check(3.6, own)).toMatchObject({
    ok: false,
    why: expect.stringContaining('not in the table') as string,
  });
});
