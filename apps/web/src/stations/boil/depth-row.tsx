import { useState } from 'react';
import { MeasureInput } from '../../ui/measure-input.js';

/** How far it is down, as people say it. */
const DOWN = [
  ['full', 1],
  ['down a quarter', 3 / 4],
  ['down a third', 2 / 3],
  ['down by half', 1 / 2],
  ['down two thirds', 1 / 3],
] as const;

/**
 * How deep the contents are: a full slow cooker cannot be weighed. One reading an hour is enough for the
 * forecast.
 */
export function DepthRow({ onDepth }: { readonly onDepth: (left: number) => void }) {
  const [full, setFull] = useState<number>();
  const [now, setNow] = useState<number>();
  const left = full !== undefined && now !== undefined && full > 0 ? now / full : undefined;
  return (
    <section aria-label="Depth" className="panel p-3">
      <h2 className="text-xl">How far is it down?</h2>
      <p className="pb-2 text-soft">
        Against its depth when it went on; by the eye, a marked spoon or a ruler. Once an hour is
        enough.
      </p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">
        {DOWN.map(([words, share]) => (
          <button
            key={words}
            type="button"
            className="btn h-16 px-2 text-lg"
            onClick={() => onDepth(share)}
          >
            {words}
          </button>
        ))}
      </div>
      <details className="mt-2">
        <summary className="min-h-[44px] cursor-pointer py-2">Measured with a ruler</summary>
        <div className="flex flex-wrap items-end gap-3">
          <MeasureInput
            label="deep at the start"
            of="number"
            value={full}
            least={0.5}
            most={100}
            className="w-32 text-lg"
            onChange={setFull}
          />
          <MeasureInput
            label="deep now, same unit"
            of="number"
            value={now}
            least={0.1}
            most={100}
            className="w-32 text-lg"
            onChange={setNow}
          />
          <button
            type="button"
            className="btn btn-secondary h-14"
            disabled={left === undefined || left > 1.5}
            onClick={() => left !== undefined && onDepth(Math.round(left * 1000) / 1000)}
          >
            Log the depth
          </button>
        </div>
      </details>
    </section>
  );
}
