/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { balance, emptyFormula, readFormula, type Balance } from '@idle-kettle/core';
import { show } from '../../testing/with-preferences.js';
import { PartJars, RunsOut } from './runs-out.js';

const DAMSON = {
  ...emptyFormula('Damson jam', '454-g'),
  lines: [
    { ingredient: 'damson', amount: '2.4 kg' },
    { ingredient: 'water', amount: '300 ml' },
    { ingredient: 'white-sugar', amount: '2.2 kg' },
  ],
};
const made = balance(readFormula(DAMSON, { altitude_m: 1180 }).formula) as Balance;
const given = { balance: made, jarred: [], headspace_mm: 6.35, shown: ['454-g'] };

test('too few jars: what else is in the kitchen, and one tap adds it', async () => {
  const onAdd = jest.fn();
  const stock = [
    { size: '454-g', count: 5 },
    { size: '250-ml', count: 20 },
  ];
  const { user } = show(<RunsOut {...given} stock={stock} onAdd={onAdd} />);
  expect(screen.getByText(/5 × 454 g jars in the kitchen, and \d+ may be wanted/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: /^Fill 250 ml jars too/ }));
  expect(onAdd).toHaveBeenCalledWith('250-ml');
});

test('enough jars, or jars nobody counted: nothing is said', () => {
  const enough = [{ size: '454-g', count: 40 }];
  const { container } = show(<RunsOut {...given} stock={enough} onAdd={jest.fn()} />);
  expect(container.textContent).toBe('');
  const uncounted = show(
    <RunsOut {...given} stock={[{ size: '454-g', count: undefined }]} onAdd={jest.fn()} />,
  );
  expect(uncounted.container.textContent).toBe('');
});

test('a part jar goes in the fridge, and a smaller jar it would fill is named', () => {
  show(<PartJars jarred={[{ size: '454-g', full: 8, part: 0.55 }]} headspace_mm={6.35} />);
  expect(screen.getByText(/goes in the fridge, used first/).textContent).toMatch(
    /can be processed/,
  );
});
