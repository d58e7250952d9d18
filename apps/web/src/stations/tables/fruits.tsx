import { useDeferredValue, useState } from 'react';
import { INGREDIENTS, inSeason, isProduce, type Ingredient } from '@idle-kettle/core';
import { fruitCheck } from '../../batch/checked-rows.js';
import { useCheckedBy } from '../../batch/use-checked-by.js';
import * as dates from '../../ui/dates.js';
import { usePreferences } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import { CheckSheetLink, DataTable, Sources } from './data-table.js';
import { monthsWords, pectinWords } from './fruit-words.js';

const MONTHS = 12;
const PRODUCE = INGREDIENTS.filter(isProduce).toSorted((a, b) =>
  a.name[1].localeCompare(b.name[1]),
);

const span = (low: number, high: number, places = 1): string =>
  low.toFixed(places) === high.toFixed(places)
    ? low.toFixed(places)
    : `${low.toFixed(places)} to ${high.toFixed(places)}`;

const matches = ({ name, synonyms }: Ingredient, words: string): boolean =>
  [...name, ...synonyms].some((each) => each.toLowerCase().includes(words));

/** Fruit and vegetables: what the computation takes of each. */
export function Fruits() {
  const [typed, setTyped] = useState('');
  const words = useDeferredValue(typed.trim().toLowerCase());
  const { southern, units } = usePreferences();
  const checkedBy = useCheckedBy();
  const found = PRODUCE.filter((each) => matches(each, words));
  const seasonOf = (id: string): string =>
    monthsWords(
      Array.from({ length: MONTHS }, (_, i) => inSeason(id, i + 1, southern)),
      dates.shortMonthName,
    );
  return (
    <section aria-label="Fruit" className="panel p-5">
      <h2 className="text-xl">Fruit</h2>
      <p className="mt-1 max-w-prose text-soft">
        As prepared. Ranges are what is published; your own fruit may be anywhere in them.
      </p>
      <input
        type="search"
        aria-label="Search the fruit"
        className="input mt-3 w-64"
        placeholder="Search the fruit"
        maxLength={60}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {found.length === 0 ? (
        <p className="mt-3 text-soft">No fruit is called “{typed.trim()}”.</p>
      ) : (
        <DataTable
          name="Figures of fruit"
          head={[
            'fruit',
            'season',
            'pH',
            'acid, %',
            'pectin',
            'sugar and solids, °Brix',
            'lost in preparing, %',
            units === 'us' ? 'a cup, g' : 'a US cup, g',
            'one gives, g',
            'checked by',
          ]}
          rows={found.map((fruit) => ({
            key: fruit.id,
            cells: [
              capital(fruit.name[1]),
              seasonOf(fruit.id),
              fruit.acidity ? span(fruit.acidity.pH.low, fruit.acidity.pH.high) : 'not known',
              fruit.acidity?.titratablePercent.mid.toFixed(1) ?? 'not known',
              pectinWords(fruit.pectinPercent?.mid),
              span(fruit.solubleSolidsPercent.low, fruit.solubleSolidsPercent.high, 0),
              fruit.wastePercent?.mid.toFixed(0) ?? '0',
              fruit.gramsPerCup[fruit.usualForm]?.toFixed(0) ?? 'not known',
              fruit.gramsEach?.mid.toFixed(0) ?? 'not known',
              checkedBy(fruitCheck(fruit)),
            ],
          }))}
        />
      )}
      <Sources
        sources={[
          ...new Set(
            PRODUCE.flatMap((each) => [
              each.solubleSolidsPercent.source,
              each.acidity?.pH.source ?? '',
            ]),
          ),
        ].filter((each) => each !== '')}
      />
      <CheckSheetLink />
    </section>
  );
}
