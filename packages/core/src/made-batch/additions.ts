import { preparePot } from '../balance/index.js';
import {
  ADD_WHEN,
  linesFrom,
  readFormula,
  softeningIn,
  usualAddWhen,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
  type PotFormula,
  type PotLine,
} from '../formula/index.js';
import { readLine } from '../reading/index.js';
import type { Boil } from '../boil-log/index.js';

/** Lines of sweetener that wait for soft skins or for the full boil. */
export function laterSugar({ kind, method, lines }: PotFormula): readonly PotLine[] {
  const softening = softeningIn(lines);
  return lines.filter(
    ({ ingredient, goesIn }) =>
      ingredient.category === 'sweetener' &&
      ADD_WHEN.indexOf(goesIn ?? usualAddWhen(kind, method, ingredient, softening)) > 0,
  );
}

/** Something that went into the pan, as the log has it. */
export interface PanAddition {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly text: string;
  /** A part of what the formula has, and not more than it. */
  readonly isPlanned: boolean;
  readonly mass_kg: number;
  readonly soluble_kg: number;
  readonly water_kg: number;
  /** It is sugar, honey or a syrup, and nothing else. */
  readonly isSweetener: boolean;
}

/** What the log says was added; what cannot be understood weighs nothing here. */
export function additionsIn(
  { log }: Pick<Boil, 'log'>,
  written: FormulaDocument,
  kitchen: Kitchen,
): readonly PanAddition[] {
  return log.flatMap(({ event, at, undone }) => {
    if (undone || event.type !== 'addition') return [];
    const { text, planned: isPlanned = false } = event.body;
    const lines = [...linesFrom(readLine(text, written), written)];
    const { formula } = readFormula({ ...withoutPlace(written), lines }, kitchen);
    const { mass = 0, soluble = 0, insoluble = 0 } = preparePot(formula)?.contents ?? {};
    return {
      at,
      text,
      isPlanned,
      mass_kg: mass,
      soluble_kg: soluble,
      water_kg: mass - soluble - insoluble,
      isSweetener:
        mass > 0 && formula.lines.every(({ ingredient }) => ingredient.category === 'sweetener'),
    };
  });
}
