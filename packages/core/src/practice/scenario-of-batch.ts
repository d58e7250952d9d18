import type { Boil } from '../boil-log/index.js';
import { fillOfPan, preparePot, volumeInPan_l } from '../balance/index.js';
import { readFormula, withoutPlace, type FormulaDocument, type Kitchen } from '../formula/index.js';
import { evidenceOf } from '../learning/index.js';
import { cutText, MINUTE_MS } from '../quantity/index.js';
import { cookOf, heatingOf, PAN_DIAMETER_M } from '../thermal/index.js';
import { SCENARIO_FORMAT, type PracticeScenario } from './scenario.js';

/** A batch that was cooked, for playing it again. */
export interface CookedBatch {
  /** Of the batch; the scenario is named by it. */
  readonly id: string;
  readonly document: FormulaDocument;
  readonly boil: Boil;
  readonly kitchen: Kitchen;
}

/** A title of a batch with what goes before it stays within the format's limit. */
const LONGEST_TITLE = 50;

/**
 * A batch of one's own as a pan to practise with: its formula, place and burner, and the minutes it
 * took. What was out of the ordinary that day is not in it.
 *
 * @returns undefined where nothing in the pan is understood, or it was never on the heat
 */
export function scenarioOfBatch({
  id,
  document,
  boil,
  kitchen,
}: CookedBatch): PracticeScenario | undefined {
  const formula = withoutPlace(document);
  const pot = preparePot(readFormula(formula, kitchen).formula);
  const { startedAt, endedAt, altitude_m = kitchen.altitude_m ?? 0 } = boil;
  if (!pot || startedAt === undefined || endedAt === undefined) return undefined;
  const [stage] = cookOf(pot.formula);
  // What its own log tells of the heat, where a forecast can be fitted to it.
  const logHeat_W = evidenceOf(document, boil, kitchen)?.logHeat_W?.mid;
  const usual_W = stage ? heatingOf(pot.formula, stage, pot.contents.mass).heat_W.mid : 0;
  return {
    format: SCENARIO_FORMAT,
    version: 1,
    id: `batch-${id}`,
    title: `Again: ${cutText(document.title, LONGEST_TITLE)}`,
    level: 'fair',
    story: `Your own batch, once more: the same amounts in the same kitchen. It took ${Math.round((endedAt - startedAt) / MINUTE_MS)} minutes that day.`,
    learn: 'Compare your two curves: where did you stop then, and where now?',
    formula,
    altitude_m,
    pan: {
      volume_l:
        pot.formula.pan?.capacity_l ??
        Math.max(volumeInPan_l(pot.contents) / fillOfPan(pot.formula), 1),
      diameter_m: PAN_DIAMETER_M,
    },
    burner_W: Math.min(
      Math.max(logHeat_W === undefined ? usual_W : Math.exp(logHeat_W), 200),
      10_000,
    ),
    cardMinutes: Math.min(Math.max((endedAt - startedAt) / MINUTE_MS, 1), 3000),
  };
}
