import { balance } from '../balance/index.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import { readFormula, type DocumentStage, type FormulaDocument } from '../formula/index.js';
import { BUTTER, documentOf } from '../testing/formula.js';
import { logFrom } from '../testing/log.js';
import { jarsAhead, type JarsAhead } from './jars-ahead.js';
import { watchBoil } from './watch-boil.js';

const START = Date.parse('2026-09-12T06:00:00Z');
const HOUR_S = 3600;
const KITCHEN = { altitude_m: 600 };
const event = logFrom(START, 1000);
const butter = (stage: DocumentStage): FormulaDocument =>
  documentOf(
    [
      ['3 kg', 'quince', 'puree'],
      ['400 g', 'white-sugar'],
    ],
    { ...BUTTER, stages: [stage] },
  );
const BY_CLOCK = butter({ where: 'slow-cooker', lid: 'off', heat: 'high', time: '8 h' });
const BY_LOOKS = butter({ where: 'burner', lid: 'off', heat: 'low', until: 'done' });

function ahead(
  document: FormulaDocument,
  hours: number,
  ...events: readonly BatchEvent[]
): JarsAhead {
  const boil = boilFrom([
    event('light', 0, { gelTemperature_C: 103, boilingPoint_C: 98 }),
    ...events,
  ]);
  const { formula } = readFormula(document, KITCHEN);
  const made = balance(formula);
  const watched = watchBoil(boil, document, KITCHEN, START + hours * HOUR_S * 1000);
  const found = made && watched && jarsAhead(made, formula, watched);
  if (!found) throw new Error('no jars are foretold');
  return found;
}
const width = ({ count }: JarsAhead): number => (count.high - count.low) / count.mid;

test('of a cook by the clock the jars are narrowed by each depth, around what was measured', () => {
  const depths = [1, 2, 3, 4].map((hour) =>
    event('depth', hour * HOUR_S, { left: 1 - 0.04 * hour }),
  );
  const first = ahead(BY_CLOCK, 0.1);
  const later = ahead(BY_CLOCK, 4.1, ...depths);
  expect(width(later)).toBeLessThan(0.6 * width(first));
  // 4 % of its volume an hour: about a third is gone after eight.
  const full = ahead(BY_CLOCK, 0.1, event('depth', 60, { left: 1 }));
  expect(later.count.mid).toBeLessThan(full.count.high);
  const quicker = ahead(
    BY_CLOCK,
    4.1,
    ...depths.map((_, i) => event('depth', (i + 1) * HOUR_S, { left: 1 - 0.07 * (i + 1) })),
  );
  expect(quicker.count.mid).toBeLessThan(later.count.mid);
});

test('of a cook by its looks they are the yield, and never more than is in the pan', () => {
  const { jars } = balance(readFormula(BY_LOOKS, KITCHEN).formula) ?? { jars: [] };
  const first = ahead(BY_LOOKS, 0.1);
  expect(first.count).toEqual(jars[0]?.count);
  const weighed = ahead(BY_LOOKS, 6, event('weighed', 5.9 * HOUR_S, { mass_kg: 1.2 }));
  expect(weighed.count.high).toBeLessThan(first.count.mid);
});
