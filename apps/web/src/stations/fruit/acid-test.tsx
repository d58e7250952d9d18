import { useState } from 'react';
import {
  amountFor,
  ingredientById,
  knownForms,
  massOf,
  parseAmount,
  type PotLine,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { addLine } from '../../batch/line-edit.js';
import { usePreferences } from '../../ui/preferences.js';
import { RadioButtons } from '../../ui/radio-buttons.js';

/**
 * A tablespoon of lemon juice to every cup of fruit that is not sharp enough. USDA Complete Guide
 * to Home Canning, Guide 7, from memory.
 */
const LEMON = ingredientById('lemon-juice-bottled');

/** US cups in a mass of this fruit as it lies. */
function cupsOf({ ingredient, form, mass_kg }: PotLine): number {
  const one = parseAmount('1 cup');
  const measured = knownForms(ingredient).includes(form) ? form : ingredient.usualForm;
  const cup = one.ok ? massOf(one.amount, ingredient, measured) : undefined;
  return cup?.ok ? mass_kg.mid / cup.mass_kg.mid : mass_kg.mid / 0.2;
}

/**
 * Acid by taste: the fruit beside lemon water that is just sharp enough, and the lemon it asks for.
 */
export function AcidTest({ fruit }: { readonly fruit: readonly PotLine[] }) {
  const { change } = useBatch();
  const { units } = usePreferences();
  /** As sharp as the lemon water, or not. */
  const [taste, setTaste] = useState<'sharp' | 'dull'>();
  if (fruit.length === 0 || !LEMON) return null;
  const cups = fruit.reduce((sum, line) => sum + cupsOf(line), 0);
  const spoon = parseAmount('1 tbsp');
  const tablespoon = spoon.ok ? massOf(spoon.amount, LEMON, LEMON.usualForm) : undefined;
  const grams = (tablespoon?.ok ? tablespoon.mass_kg.mid * 1000 : 15) * cups;
  const lemon = amountFor('lemon-juice-bottled', grams, units);
  return (
    <section aria-label="Acid by taste" className="panel p-4">
      <h2 className="text-xl">Acid by taste</h2>
      <p className="mt-1">
        Stir a teaspoon of lemon juice and half a teaspoon of sugar into three tablespoons of water.
        Taste it, then the fruit.
      </p>
      <RadioButtons
        name="The fruit is"
        options={[
          ['sharp', 'as sharp or sharper'],
          ['dull', 'not as sharp'],
        ]}
        value={taste}
        className="mt-3"
        onChange={setTaste}
      />
      {taste === 'sharp' && (
        <p className="mt-2 text-soft">Sharp enough for a set; no lemon is needed for it.</p>
      )}
      {taste === 'dull' && (
        <div className="mt-3">
          <p>
            A tablespoon of lemon juice for every cup: about {Math.max(Math.round(cups), 1)} of them
            here.
          </p>
          <button
            type="button"
            className="btn btn-primary mt-2"
            onClick={() => {
              change('', addLine(`${lemon} bottled lemon juice`));
              setTaste(undefined);
            }}
          >
            Add {lemon} lemon juice
          </button>
        </div>
      )}
      <p className="mt-2 text-sm text-soft">
        Taste tells about the set. Storage goes by the tables, never by taste.
      </p>
    </section>
  );
}
