import {
  addInto,
  contentsAt,
  linePoint,
  middleOf,
  nothing,
  pHOfContents,
  type Contents,
  type LineInput,
  type LinePoint,
} from '../balance/index.js';
import type { PotFormula, PotLine } from '../formula/index.js';

/**
 * Weakest acid that may be in the bottle, as citric acid, per cent: 4 % acetic for vinegar, 4.5 %
 * for bottled lemon or lime.
 */
const WEAKEST: Readonly<Record<string, number>> = {
  'lemon-juice-bottled': 4.5,
  'lime-juice-bottled': 4.5,
  'lemon-juice-fresh': 3.8,
  'cider-vinegar': 4.27,
  'wine-vinegar': 4.27,
  'distilled-vinegar': 4.27,
};

/** A line as the gate sees it: by the table, and by what the maker measured where that is worse. */
function gatePoint(line: PotLine): LinePoint {
  const byTable = linePoint(line, line.byTable);
  if (line.composition === line.byTable) return byTable;
  const measured = linePoint(line);
  const alone = (point: LinePoint): number =>
    pHOfContents(
      contentsAt(point, { ...middleOf(point), mass: 1, ripeness: point.inputs.ripeness.low }),
      1,
    );
  return alone(measured) > alone(byTable) ? measured : byTable;
}

/**
 * The highest pH a pot may have: the upper end of the 90 % range after all additions, from the
 * table's own ranges, with bottled juice and vinegar at the weakest their labels allow.
 *
 * What the maker measured or wrote for an ingredient counts only where it is worse. A pot boiled
 * down less is a little less acid, so it is taken as it goes in.
 *
 * @param extra further lines to count in, for a remedy
 */
export function worstPH(formula: PotFormula, extra: readonly PotLine[] = []): number {
  const points = [...formula.lines, ...extra].map(gatePoint);
  if (points.length === 0) return 7;
  const base = points.map((point) => {
    const inputs = middleOf(point);
    const weakest = WEAKEST[point.line.ingredient.id];
    const usual = point.line.byTable.acidity?.titratablePercent.mid;
    if (weakest !== undefined && usual !== undefined) inputs.acidity = Math.min(weakest / usual, 1);
    return inputs;
  });
  const parts = points.map((point, i) => contentsAt(point, base[i] ?? middleOf(point)));
  const all = parts.reduce<Contents>((sum, part) => addInto(sum, part), nothing());
  const middle = pHOfContents(all, all.mass);
  let up = 0;
  points.forEach((point, i) => {
    const part = parts[i];
    const inputs = base[i];
    if (!part || !inputs) return;
    const rest = addInto({ ...all }, part, -1);
    const weakest = WEAKEST[point.line.ingredient.id] !== undefined;
    for (const key of ['mass', 'ripeness', 'acidity'] as const satisfies LineInput[]) {
      if (key === 'acidity' && weakest) continue;
      const { low, high } = point.inputs[key];
      let worst = 0;
      for (const value of low === high ? [] : [low, high]) {
        const moved = addInto(contentsAt(point, { ...inputs, [key]: value }), rest);
        worst = Math.max(worst, pHOfContents(moved, moved.mass, middle) - middle);
      }
      up += worst * worst;
    }
  });
  // Charge balance against a meter; see docs/accuracy.md.
  return middle + Math.sqrt(up + 0.05 ** 2);
}
