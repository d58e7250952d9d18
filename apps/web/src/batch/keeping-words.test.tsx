/** @jest-environment jsdom */
import '../testing/missing-in-jsdom.js';
import {
  balance,
  computeFormula,
  emptyFormula,
  readFormula,
  type FormulaDocument,
} from '@idle-kettle/core';
import { show } from '../testing/with-preferences.js';
import { JarWall } from './jar-wall.js';
import { Readouts } from './readouts.js';

const made = (change: Partial<FormulaDocument>) => {
  const document: FormulaDocument = { ...emptyFormula('Pan', 'half-pint'), ...change };
  const computed = computeFormula(document, { altitude_m: 1180 });
  const pot = balance(readFormula(document, { altitude_m: 1180 }).formula);
  if (!pot) throw new Error('nothing in the pan');
  return { ...computed, balance: pot };
};
const SUGAR = { ingredient: 'white-sugar', amount: '900 g' };
const POTS: Readonly<Record<string, Partial<FormulaDocument>>> = {
  'garlic under oil': {
    lines: [
      { ingredient: 'garlic', amount: '500 g' },
      { ingredient: 'cooking-oil', amount: '300 ml' },
    ],
  },
  'a process asked for that is too short': {
    lines: [{ ingredient: 'damson', amount: '1 kg' }, SUGAR],
    processMinutes: 5,
  },
};

test.each(Object.entries(POTS))('%s: nothing on the panel says to keep it', (_, change) => {
  const { balance: pot, keeping, formula } = made(change);
  expect(keeping.verdict).toBe('stop');
  for (const isFilled of [false, true]) {
    const { container } = show(
      <>
        <Readouts balance={pot} keeping={keeping} formula={formula} isFilled={isFilled} />
        <JarWall balance={pot} verdict={keeping.verdict} />
      </>,
    );
    expect(container.textContent).not.toMatch(
      /fridge|refrigerate|freeze|best within|for the shelf/i,
    );
    expect(container.textContent).toContain(isFilled ? 'Throw away, do not taste' : 'Do not make');
  }
});

test('a shelf verdict names its minutes, and a fridge one none', () => {
  const shelf = made({ lines: [{ ingredient: 'damson', amount: '1 kg' }, SUGAR] });
  const fridge = made({ lines: [{ ingredient: 'banana', amount: '1 kg' }, SUGAR] });
  const said = ({ balance: pot, keeping, formula }: ReturnType<typeof made>) =>
    show(<Readouts balance={pot} keeping={keeping} formula={formula} />).container.textContent ??
    '';
  expect(said(shelf)).toContain('15 min in boiling water');
  expect(said(fridge)).not.toMatch(/\d+ min in boiling water/);
  expect(said(fridge)).toContain('not for the shelf');
});
