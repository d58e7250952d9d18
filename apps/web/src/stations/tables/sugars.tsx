import {
  ingredientById,
  INGREDIENTS,
  insteadOfSugar,
  PROFILED,
  waterPercent,
  type Ingredient,
} from '@idle-kettle/core';
import { pectinCheck, sweetenerCheck } from '../../batch/checked-rows.js';
import { useCheckedBy } from '../../batch/use-checked-by.js';
import { capital } from '../../ui/sentence.js';
import { useFormats } from '../../ui/preferences.js';
import { CheckSheetLink, DataTable, Sources } from './data-table.js';

const SWEETENERS = INGREDIENTS.filter(({ category }) => category === 'sweetener');
const PECTINS = PROFILED.flatMap((id) => ingredientById(id) ?? []);

/** A fiftieth more is not weighed. A choice of ours. */
const WEIGHT_FOR_WEIGHT_KG = 1.02;

/** What standing in for a kilogram of white sugar brings, said of its solids and water. */
function swapWords(sweetener: Ingredient, mass: (kg: number) => string): string {
  const instead = insteadOfSugar(sweetener);
  if (!instead) return 'few solids: no set with fruit pectin, fewer jars; only calcium pectin';
  const { mass_kg, water_kg } = instead;
  if (mass_kg < WEIGHT_FOR_WEIGHT_KG) return 'weight for weight';
  return `${mass(mass_kg)} brings the solids of ${mass(1)} sugar, with ${mass(water_kg)} of water to boil off`;
}

/** When each pectin goes in, and what it needs. Common practice; products differ. */
const HOW: Readonly<Record<string, string>> = {
  'pectin-powder': 'before the sugar; full sugar; never doubled; 1 minute at a full rolling boil',
  'pectin-low-sugar': 'before the sugar; works with less of it',
  'pectin-liquid': 'last, after the sugar, at a full rolling boil; 1 minute',
  'pectin-calcium': 'whisked into the sweetener; any amount of sugar; needs calcium',
  'calcium-water': 'in the fruit, before calcium pectin',
};

const grams = (value: number | undefined): string =>
  value === undefined ? 'as sold' : value.toFixed(0);

/** Sugars and pectins: what they bring, and what a swap does. */
export function Sugars() {
  const { mass } = useFormats();
  const checkedBy = useCheckedBy();
  return (
    <section aria-label="Sugars and pectins" className="panel p-5">
      <h2 className="text-xl">Sugars and sweeteners</h2>
      <p className="mt-1 max-w-prose text-soft">
        Sugar holds the water, so that pectin sets and moulds are slow. Swapped or cut, set, jars
        and storage change: try it at Balance, which computes all of it.
      </p>
      <DataTable
        name="Sugars and sweeteners"
        head={[
          'sweetener',
          'solids, %',
          'water, %',
          'a US cup, g',
          'in place of sugar',
          'checked by',
        ]}
        rows={SWEETENERS.map((each) => ({
          key: each.id,
          cells: [
            capital(each.name[0]),
            each.solubleSolidsPercent.mid.toFixed(0),
            waterPercent(each).toFixed(0),
            grams(each.gramsPerCup[each.usualForm]),
            each.pectinProduct ? 'has pectin in it: by its own pack' : swapWords(each, mass),
            checkedBy(sweetenerCheck(each)),
          ],
        }))}
      />
      <h2 className="mt-6 text-xl">Pectins</h2>
      <p className="mt-1 max-w-prose text-soft">
        Generic products: what yours says is entered at Kitchen, under Pectin.
      </p>
      <DataTable
        name="Pectins"
        head={['product', 'pectin, %', 'a box or pouch, g', 'how', 'checked by']}
        rows={PECTINS.map((each) => ({
          key: each.id,
          cells: [
            capital(each.name[0]),
            each.pectinProduct?.percent.mid.toFixed(1) ?? 'none',
            grams((each.gramsPerBox ?? each.gramsPerPouch)?.mid),
            HOW[each.id] ?? '',
            checkedBy(pectinCheck(each)),
          ],
        }))}
      />
      <Sources
        sources={[...SWEETENERS, ...PECTINS].map(
          ({ solubleSolidsPercent }) => solubleSolidsPercent.source,
        )}
      />
      <CheckSheetLink />
    </section>
  );
}
