import { sugarSoFar } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { partAmounts } from './sugar-parts.js';

interface SugarSoFarProps {
  /** A part of what was planned, or more than that, by taste. */
  readonly onPart: (text: string, planned: boolean) => void;
  readonly onAllIn: () => void;
}

/** Sugar that goes in by degrees or to taste: the sum so far, what is to go, one tap a part. */
export function SugarSoFar({ onPart, onAllIn }: SugarSoFarProps) {
  const { boil, document, formula, balance } = useBatch();
  const { kitchen, units } = usePreferences();
  const formats = useFormats();
  const { parts, in_kg, planned_kg, toGo_kg, isToTaste, name } = sugarSoFar(
    boil,
    document,
    kitchen,
  );
  const isByDegrees = formula.sugarIn === 'by-degrees' && planned_kg > 0;
  if (!isToTaste && !isByDegrees && parts.length === 0) return null;
  const isMore = toGo_kg === 0;
  const amounts = partAmounts(
    isMore ? (balance?.massIn_kg.mid ?? 0) * TASTED_SHARE : planned_kg / PLANNED_PARTS,
    units,
  );
  return (
    <section aria-label="Sugar so far" className="panel flex flex-wrap items-center gap-3 p-3">
      <div className="min-w-0 flex-1">
        <h2 className="text-xl">Sugar so far</h2>
        <p role="status" className="text-lg whitespace-nowrap">
          <strong className="text-[26px]">{formats.mass(in_kg)}</strong>
          {parts.length > 1 && ` in ${parts.length} parts`}
          {toGo_kg > 0 && `, ${formats.mass(toGo_kg)} to go`}
        </p>
      </div>
      <div className="flex flex-wrap gap-2">
        {amounts.map((amount) => (
          <button
            key={amount}
            type="button"
            className="btn h-14 text-lg"
            onClick={() => onPart(`${amount} ${name}`, !isMore)}
          >
            + {amount}
          </button>
        ))}
        {toGo_kg > 0 && (
          <button type="button" className="btn h-14 text-lg" onClick={onAllIn}>
            All of it is in
          </button>
        )}
      </div>
    </section>
  );
}

/** Planned sugar goes in by thirds. Common practice. */
const PLANNED_PARTS = 3;
/** To taste, a part is about this share of what is in the pan. A choice of ours. */
const TASTED_SHARE = 0.02;
