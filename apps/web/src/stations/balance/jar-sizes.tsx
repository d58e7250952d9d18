import { Plus, X } from 'lucide-react';
import type { JarBody } from '@idle-kettle/contract';
import { JAR_SIZES, PROCESSINGS, type Processing } from '@idle-kettle/core';
import { useKitchenInUse } from '../../data/kitchens.js';
import { sentence } from '../../ui/sentence.js';
import { useBatch } from '../../batch/batch-context.js';
import { shortcutTarget } from '../../ui/shortcuts.js';

const PROCESSING_WORDS: Readonly<Record<Processing, string>> = {
  'boiling-water': 'boiling-water canner',
  steam: 'atmospheric steam canner',
  'hot-fill': 'filled hot, no process',
  none: 'no process, fridge',
};

/** What is done with the filled jars; the keeping follows from it. */
export function AfterFilling() {
  const { document, change } = useBatch();
  const { processing = 'boiling-water', preSterilised = false } = document;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line pt-3">
      <label className="flex items-center gap-2 text-sm text-soft">
        then
        <select
          aria-label="Process of the filled jars"
          className="select w-56 text-base-content"
          value={processing}
          onChange={(event) =>
            change('processing', (was) => ({
              ...was,
              processing: event.target.value as Processing,
            }))
          }
        >
          {PROCESSINGS.map((each) => (
            <option key={each} value={each}>
              {PROCESSING_WORDS[each]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex min-h-[44px] items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox"
          checked={preSterilised}
          onChange={(event) =>
            change('pre-sterilised', (was) => ({ ...was, preSterilised: event.target.checked }))
          }
        />
        jars sterilised first
      </label>
    </div>
  );
}

/**
 * How many empty ones there are, where the kitchen knows, and whether they are enough at the high
 * end.
 */
function InStock({ size, wanted }: { readonly size: string; readonly wanted: number }) {
  const stock = useKitchenInUse()?.gear.jars.find((jar) => jar.size === size)?.stock;
  if (stock === undefined) return null;
  const short = Math.ceil(wanted) > stock;
  return (
    <span className={`text-sm ${short ? 'text-watch' : 'text-soft'}`}>
      {stock} in stock{short && ', and it may take more: add another size'}
    </span>
  );
}

/** Which jars to fill, in order; the last size takes what is left. */
export function JarSizes() {
  const { document, change, problems, balance } = useBatch();
  const { jars } = document;
  const set = (label: string, make: (jars: readonly JarBody[]) => JarBody[]): void =>
    change(label, (was) => ({ ...was, jars: make(was.jars) }));
  const replace = (index: number, jar: JarBody): void =>
    set(`jar ${index}`, (was) => was.map((each, i) => (i === index ? jar : each)));
  const unused = JAR_SIZES.find((size) => !jars.some((jar) => jar.size === size.id))?.id;
  return (
    <div className="flex flex-col gap-2">
      {jars.map((jar, index) => {
        const wrong = problems.find((problem) => problem.path.startsWith(`jars[${index}]`));
        return (
          <div key={index} className="flex flex-wrap items-center gap-2">
            <select
              {...(index === 0 && shortcutTarget('jar-size'))}
              aria-label={`Jar size ${index + 1}`}
              className="select w-40"
              value={jar.size}
              onChange={(event) => replace(index, { ...jar, size: event.target.value })}
            >
              {JAR_SIZES.map((size) => (
                <option key={size.id} value={size.id}>
                  {size.name[1]}
                </option>
              ))}
            </select>
            {jars.length > 1 && index < jars.length - 1 && (
              <label className="flex items-center gap-2 text-sm text-soft">
                at most
                <input
                  type="number"
                  min={0}
                  className="input w-20 text-base-content"
                  value={jar.count ?? ''}
                  placeholder="all"
                  onChange={(event) => {
                    const { size } = jar;
                    const count = event.target.valueAsNumber;
                    replace(index, {
                      size,
                      ...(Number.isInteger(count) && count >= 0 && { count }),
                    });
                  }}
                />
              </label>
            )}
            {jars.length > 1 && (
              <button
                type="button"
                aria-label={`Leave out jar size ${index + 1}`}
                className="btn btn-ghost btn-square size-11"
                onClick={() => set('jar out', (was) => was.filter((_, i) => i !== index))}
              >
                <X aria-hidden="true" className="size-5" />
              </button>
            )}
            <InStock size={jar.size} wanted={balance?.jars[index]?.count.high ?? 0} />
            {wrong && <p className="w-full text-sm text-bad">{sentence(wrong.message)}</p>}
          </div>
        );
      })}
      {unused !== undefined && jars.length < 4 && (
        <button
          type="button"
          className="btn btn-ghost btn-sm min-h-[44px] self-start"
          onClick={() =>
            set('jar in', (was) => [
              ...was,
              { size: was.some((jar) => jar.size === '125-ml') ? unused : '125-ml' },
            ])
          }
        >
          <Plus aria-hidden="true" className="size-4" /> Another size
        </button>
      )}
    </div>
  );
}
