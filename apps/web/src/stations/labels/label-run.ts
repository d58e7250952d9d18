import type { LotView } from '@idle-kettle/contract';
import {
  firstFruit,
  labelContent,
  unitById,
  type Balance,
  type Boil,
  type FormulaDocument,
  type PotFormula,
  type UnitSystem,
} from '@idle-kettle/core';
import * as dates from '../../ui/dates.js';
import { fruitColour } from '../../ui/fruit-colour.js';
import { jarName } from '../../ui/jar-picture.js';
import type { LabelChoice } from './label-choice.js';
import type { LabelRun } from './pdf.js';

/** A batch as it was made, whose jars are labelled. */
export interface LabelledBatch {
  readonly id: string;
  readonly document: FormulaDocument;
  readonly formula: PotFormula;
  readonly balance: Balance | null;
  readonly boil: Pick<Boil, 'jarred'>;
}

/** The labels of one lot. */
export interface RunOfLot extends LabelRun {
  readonly lot: LotView;
}

function netWords(net_g: number, units: UnitSystem): string {
  const ounces = `${(net_g / 1000 / unitById('oz').si).toFixed(1)} oz`;
  return units === 'us' ? `Net about ${ounces} (${net_g} g)` : `Net about ${net_g} g (${ounces})`;
}

/** A day that is not broken over two lines. */
const day = (iso: string): string => dates.day(iso).replaceAll(' ', '\u00a0');

/** A number of labels as it is typed: up to three figures. */
export const isCount = (text: string): boolean => /^\d{1,3}$/.test(text);

/** What stands on the labels of a lot; undefined for one that must not be kept: it gets none. */
export function labelRun(
  { id, document, formula, balance, boil }: LabelledBatch,
  lot: LotView,
  count: string,
  choice: LabelChoice,
  units: UnitSystem,
): RunOfLot | undefined {
  const { verdict, bestBefore } = lot.keeping;
  const net_g = boil.jarred.find((jar) => jar.size === lot.size)?.net_g;
  const content = labelContent(formula, balance, {
    ...lot,
    verdict,
    bestBefore,
    ...(net_g !== undefined && { net_g }),
  });
  if (!content) return undefined;
  return {
    lot,
    words: {
      title: document.title,
      dates: `Made ${day(content.madeOn)} · best before ${day(content.bestBefore)} · lot ${content.lot}`,
      net: content.net_g === undefined ? jarName(lot.size, 1) : netWords(content.net_g, units),
      content,
      withIngredients: choice.ingredients,
      withCode: choice.code,
    },
    url: `${location.origin}/batches/${id}/shelf`,
    colour: fruitColour(firstFruit(document), 'day'),
    count: isCount(count) ? Number(count) : 0,
  };
}
