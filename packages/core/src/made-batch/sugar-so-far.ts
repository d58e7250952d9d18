import {
  isToTaste,
  readFormula,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
} from '../formula/index.js';
import { ingredientById } from '../produce/index.js';
import type { Boil } from '../boil-log/index.js';
import { additionsIn, laterSugar, type PanAddition } from './additions.js';

/** Sugar that goes in by degrees or to taste: the sum so far. Kilograms. */
export interface SugarSoFar {
  readonly parts: readonly PanAddition[];
  /** Parts and, once "the sugar is in" is logged, all that was planned. */
  readonly in_kg: number;
  /** What the formula has of it for after the skins are soft, as far as it has an amount. */
  readonly planned_kg: number;
  /** Of what is planned, not in yet. */
  readonly toGo_kg: number;
  /** What the formula calls its sugar; white sugar where it has none. */
  readonly name: string;
  /** The formula leaves some of it to the cook's taste. */
  readonly isToTaste: boolean;
}

/**
 * The sugar that went in so far, from the log.
 * @param written the formula as it is written, without what the log adds
 */
export function sugarSoFar(
  boil: Pick<Boil, 'log' | 'sugarInAt'>,
  written: FormulaDocument,
  kitchen: Kitchen,
): SugarSoFar {
  const parts = additionsIn(boil, written, kitchen).filter(({ isSweetener }) => isSweetener);
  const sumOf = (some: readonly PanAddition[]): number =>
    some.reduce((sum, { mass_kg }) => sum + mass_kg, 0);
  const { formula } = readFormula(withoutPlace(written), kitchen);
  const planned_kg = laterSugar(formula).reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);
  const plannedIn_kg = sumOf(parts.filter(({ isPlanned }) => isPlanned));
  const toGo_kg = boil.sugarInAt === undefined ? Math.max(planned_kg - plannedIn_kg, 0) : 0;
  const rest_kg = boil.sugarInAt === undefined ? 0 : Math.max(planned_kg - plannedIn_kg, 0);
  const ofFormula = written.lines.find(
    ({ ingredient = '' }) => ingredientById(ingredient)?.category === 'sweetener',
  );
  return {
    parts,
    name: (ofFormula?.ingredient ?? 'white-sugar').replaceAll('-', ' '),
    in_kg: sumOf(parts) + rest_kg,
    planned_kg,
    toGo_kg,
    isToTaste: written.lines.some(
      ({ ingredient = '', amount }) =>
        isToTaste(amount) && ingredientById(ingredient)?.category === 'sweetener',
    ),
  };
}
