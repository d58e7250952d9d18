import type { FormulaLineBody } from '@idle-kettle/contract';
import {
  fruitForJuice,
  isProduce,
  JUICE_METHODS,
  juiceVolume_ml,
  type JuiceMethod,
  type PotLine,
} from '@idle-kettle/core';
import { useFormats } from '../ui/preferences.js';
import { useBatch } from './batch-context.js';

const JUICE_WORDS: Readonly<Record<JuiceMethod, string>> = {
  drip: 'dripped through a cloth, clear',
  'drip-twice': 'dripped twice, with fresh water on the pulp',
  press: 'pressed or squeezed, more and cloudy',
  steam: 'by a steam juicer',
  raw: 'ground raw and dripped',
};

interface JuiceOfProps {
  readonly pot: PotLine;
  readonly line: FormulaLineBody;
  readonly onChange: (line: FormulaLineBody) => void;
}

/**
 * Whether only the juice of a fruit goes in, and how much of it there is; of a juice, how much fruit and
 * water it wants.
 */
export function JuiceOf({ pot, line, onChange }: JuiceOfProps) {
  const { document } = useBatch();
  const formats = useFormats();
  const { ingredient, mass_kg, fruit_kg } = pot;
  if (!isProduce(ingredient)) return null;
  if (line.form === 'juice') {
    const { fruit_kg: wanted, water_kg } = fruitForJuice(ingredient, mass_kg.mid, document.juiceBy);
    return (
      <p className="text-soft">
        Wants about <strong className="text-base-content">{formats.mass(wanted.mid)}</strong> of
        prepared fruit ({formats.mass(wanted.low)} to {formats.mass(wanted.high)}) with{' '}
        {formats.volume(water_kg * 1000)} of water.
      </p>
    );
  }
  const litres = (kg: number): string => formats.volume(juiceVolume_ml(ingredient, kg));
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <label className="flex min-h-[44px] items-center gap-3">
        <input
          type="checkbox"
          className="checkbox"
          checked={line.gives === 'juice'}
          onChange={(event) => {
            const { gives: _, ...rest } = line;
            onChange(event.target.checked ? { ...rest, gives: 'juice' } : rest);
          }}
        />
        Only its strained juice goes in
      </label>
      {fruit_kg && (
        <span className="text-soft">
          gives about <strong className="text-base-content">{litres(mass_kg.mid)}</strong> (
          {litres(mass_kg.low)} to {litres(mass_kg.high)}), beside what comes of the water
        </span>
      )}
    </div>
  );
}

/** How the juice is won; nothing where no fruit gives its juice. */
export function JuiceBy() {
  const { document, change } = useBatch();
  if (!document.lines.some(({ gives, form }) => gives === 'juice' || form === 'juice')) return null;
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="text-soft">juice</span>
      <select
        className="select w-80 max-w-full"
        value={document.juiceBy ?? 'drip'}
        onChange={(event) => {
          const juiceBy = event.target.value as JuiceMethod;
          change('juice', (was) => ({ ...was, juiceBy }));
        }}
      >
        {JUICE_METHODS.map((method) => (
          <option key={method} value={method}>
            {JUICE_WORDS[method]}
          </option>
        ))}
      </select>
    </label>
  );
}
