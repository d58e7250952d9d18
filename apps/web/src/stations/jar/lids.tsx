import { useState } from 'react';
import { useBatch } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';

function countWords(used: number, jars: number): string {
  if (used === jars) return `${jars} used, ${jars} jars: one on each.`;
  return used > jars
    ? `${used} used on ${jars} jars: two may cling together on one. Lift the bands and look.`
    : `${used} used on ${jars} jars: a jar without a new lid, or a miscount.`;
}

/**
 * Lids laid out against jars lidded: two flats can cling together on one jar, and then neither
 * seals well.
 */
export function Lids() {
  const { id, boil } = useBatch();
  const jars = boil.jarred.reduce((sum, { full, part }) => sum + full + (part > 0 ? 1 : 0), 0);
  const [out, setOut] = useState(boil.lids ? String(boil.lids.out) : '');
  const [left, setLeft] = useState(boil.lids ? String(boil.lids.left) : '');
  const number = (text: string): number => (/^\d{1,4}$/.test(text) ? Number(text) : NaN);
  const known = !Number.isNaN(number(out)) && !Number.isNaN(number(left));
  const used = number(out) - number(left);
  const keep = (): void => {
    if (known && (boil.lids?.out !== number(out) || boil.lids.left !== number(left)))
      logEvent(id, 'lids', { out: number(out), left: number(left) });
  };
  const field = (name: string, value: string, change: (text: string) => void) => (
    <label className="flex flex-col gap-1 text-sm text-soft">
      {name}
      <input
        inputMode="numeric"
        className="input w-24 text-base-content"
        value={value}
        onChange={(event) => change(event.target.value)}
        onBlur={keep}
      />
    </label>
  );
  return (
    <div className="mt-4 border-t border-line pt-3" role="group" aria-label="Rims, lids and bands">
      <p className="text-soft">
        Rims and threads wiped, new lids centred, bands fingertip tight. Count the lids:
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        {field('lids laid out', out, setOut)}
        {field('lids left', left, setLeft)}
        {known && (
          <p role="status" className={`flex-1 ${used === jars ? 'text-good' : 'text-watch'}`}>
            {countWords(used, jars)}
          </p>
        )}
      </div>
    </div>
  );
}
