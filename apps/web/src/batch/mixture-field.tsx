import { readRatio } from '@idle-kettle/core';
import { useFormats } from '../ui/preferences.js';
import { nameOfLine } from './line-edit.js';
import { useBatch } from './batch-context.js';

/**
 * What is in the pan before the sugar, as it was measured: "18 cups". Amounts that are a ratio of it wait
 * for it; nothing where the formula has none.
 */
export function MixtureField() {
  const { document, formula, change, problems } = useBatch();
  const formats = useFormats();
  const ofMixture = document.lines.flatMap((line, index) => {
    const ratio = readRatio(line.amount, document);
    const isOfMixture = ratio && 'base' in ratio && ratio.base.of === 'mixture';
    return isOfMixture ? [{ line, index }] : [];
  });
  if (ofMixture.length === 0) return null;
  const wrong = problems.find(({ path }) => path === 'mixture');
  return (
    <section aria-label="The mixture" className="panel p-4">
      <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="text-xl">The mixture measures</span>
        <input
          className="input w-40 text-lg"
          value={document.mixture ?? ''}
          placeholder="18 cups"
          maxLength={40}
          aria-invalid={wrong !== undefined}
          onChange={(event) => {
            const mixture = event.target.value;
            change('mixture', ({ mixture: _, ...was }) =>
              mixture === '' ? was : { ...was, mixture },
            );
          }}
        />
      </label>
      <p className="text-soft">
        Fruit and water as they are now, softened, before the sugar. The rest follows from it.
      </p>
      {wrong && <p className="text-bad">{wrong.message}</p>}
      <ul>
        {ofMixture.map(({ line, index }) => {
          const known = formula.lines.find((each) => each.index === index);
          return (
            <li key={index}>
              {nameOfLine(line)}:{' '}
              <strong>{known ? formats.mass(known.mass_kg.mid) : 'waits for the measure'}</strong>{' '}
              <span className="text-soft">({line.amount})</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
