import { useDeferredValue, useState } from 'react';
import { useSearchParams } from 'react-router';
import { convertAmount, figures } from '@idle-kettle/core';
import { numberIn } from '../../ui/number-in.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { capital, sentence } from '../../ui/sentence.js';
import { DataTable } from './data-table.js';

const UNITS = [
  'g',
  'oz',
  'lb',
  'ml',
  'fl oz',
  'tsp',
  'tbsp',
  'cup',
  'metric cup',
  'pint',
  'imperial pint',
  'each',
];

/** As many as are looked up most: with nothing typed they show what it does. */
const EXAMPLES = [
  '2 cups white sugar',
  '8 cups blueberries, whole',
  '3 tbsp honey',
  '1 cup powdered pectin',
];

/** Cups, spoons and pieces to weight and back, of the very food. */
export function Convert() {
  const { units } = usePreferences();
  const formats = useFormats();
  const [asked] = useSearchParams();
  const [typed, setTyped] = useState(asked.get('amount') ?? '');
  const text = useDeferredValue(typed.trim());
  const first = text === '' ? undefined : convertAmount(text, 'g');
  const rows =
    first?.ok === true
      ? UNITS.flatMap((unit) => {
          const read = convertAmount(text, unit);
          if (!read.ok) return [];
          const { value, unit: known } = read.conversion;
          const isExact = value.high - value.low < value.mid * 1e-6;
          return [
            {
              key: unit,
              cells: [
                known.kind === 'piece' ? 'pieces' : known.name[1],
                numberIn(value.mid, known),
                isExact ? 'exact' : `${figures(value.low, 3)} to ${figures(value.high, 3)}`,
              ],
            },
          ];
        })
      : [];
  return (
    <section aria-label="Convert" className="panel p-5">
      <h2 className="text-xl">Convert</h2>
      <p className="mt-1 max-w-prose text-soft">
        An amount of a food: cups, spoons, pieces, weights. “oz” is weight, “fl oz” is volume;
        whole, chopped and crushed fruit fill a cup differently.
      </p>
      <input
        aria-label="Amount and food"
        aria-invalid={first?.ok === false}
        className="input mt-3 w-full max-w-lg"
        placeholder={units === 'us' ? '8 cups blueberries, whole' : '500 g damsons, pitted'}
        maxLength={120}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <p role="status" className={`mt-2 ${first?.ok === false ? 'text-bad' : 'text-soft'}`}>
        {first?.ok === false && sentence(first.message)}
        {first?.ok === true &&
          `${capital(first.conversion.ingredient.name[1])}, ${first.conversion.form}: ${formats.mass(first.conversion.mass_kg.mid)}, ${formats.otherMass(first.conversion.mass_kg.mid)}.`}
      </p>
      {text === '' && (
        <ul className="mt-1 flex flex-wrap gap-2">
          {EXAMPLES.map((each) => (
            <li key={each}>
              <button type="button" className="btn" onClick={() => setTyped(each)}>
                {each}
              </button>
            </li>
          ))}
        </ul>
      )}
      {rows.length > 0 && (
        <DataTable
          name="The same in other units"
          head={['unit', 'amount', '9 times in 10']}
          rows={rows}
        />
      )}
    </section>
  );
}
