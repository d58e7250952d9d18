import { useState } from 'react';
import { Link } from 'react-router';
import {
  kitchenFraction,
  remakesOf,
  type Keeping,
  type Remake,
  type RemakeWay,
} from '@idle-kettle/core';
import { nameOfLine } from '../../batch/line-edit.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { capital, counted } from '../../ui/sentence.js';
import type { RemakeStart, StartOf } from './use-rescue.js';

const WAY_WORDS: Readonly<Record<RemakeWay, string>> = {
  powdered: 'With powdered pectin',
  liquid: 'With liquid pectin',
  none: 'Without added pectin',
  calcium: 'With calcium pectin',
};

interface RemakesProps {
  readonly spread_ml: number;
  readonly solidsPercent: number;
  readonly keeping: Keeping | undefined;
  readonly startOf: StartOf;
}

/** The published remakes for these jars, and for one cup to try it with. */
export function Remakes({ spread_ml, solidsPercent, keeping, startOf }: RemakesProps) {
  const ways = remakesOf(spread_ml, solidsPercent);
  const [chosen, setChosen] = useState<RemakeWay>();
  const remake = ways.find(({ way }) => way === chosen) ?? ways[0];
  if (!remake) return null;
  return (
    <section aria-label="Cook it again" className="panel p-5">
      <h2 className="text-xl">Cook it again</h2>
      {ways.length > 1 && (
        <RadioButtons
          name="With which pectin"
          className="mt-2"
          options={ways.map(({ way }) => [way, WAY_WORDS[way]] as const)}
          value={remake.way}
          onChange={setChosen}
        />
      )}
      <Amounts remake={remake} />
      <ol className="mt-3 max-w-prose list-decimal space-y-1 pl-5">
        {remake.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <AfterFilling keeping={keeping} />
      <Start batches={remake.batches} how={startOf(remake)} hasRecord={keeping !== undefined} />
      <p className="mt-2 text-sm text-soft">Source: {remake.source}.</p>
    </section>
  );
}

const cupsWords = (cups: number): string =>
  `${kitchenFraction(cups)} ${cups <= 1 ? 'cup' : 'cups'}`;

function Amounts({ remake }: { readonly remake: Remake }) {
  const { lines, trial, cupsAtOnce, batches } = remake;
  return (
    <>
      {batches > 1 && (
        <p className="mt-3">
          In <strong>{batches} batches</strong>, one after the other: no more than 6 cups sets well
          at once.
        </p>
      )}
      <table className="mt-3 border-collapse text-left tabular-nums">
        <thead>
          <tr className="border-b border-line text-sm text-soft">
            <th scope="col" className="py-2 pr-4 font-normal">
              into
            </th>
            <th scope="col" className="px-4 py-2 font-normal">
              1 cup, to try
            </th>
            <th scope="col" className="px-4 py-2 font-normal">
              {cupsWords(cupsAtOnce)}
              {batches > 1 && ', each batch'}
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ ingredient, amount }, i) => (
            <tr key={ingredient} className="border-b border-line">
              <th scope="row" className="py-2 pr-4 font-normal">
                {capital(nameOfLine({ ingredient, amount }))}
              </th>
              <td className="px-4 py-2">{trial[i]?.amount}</td>
              <td className="px-4 py-2 text-lg font-semibold">{amount}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** How long the jars are processed: as what was in them first, never less. */
function AfterFilling({ keeping }: { readonly keeping: Keeping | undefined }) {
  if (!keeping)
    return (
      <p className="mt-2">
        <Link to="/tables/minutes" className="inline-flex min-h-[44px] items-center underline">
          Processing minutes at your altitude
        </Link>
      </p>
    );
  return keeping.verdict === 'shelf' && keeping.process ? (
    <p className="mt-2">
      Here that is <strong>{keeping.process.minutes} min</strong> from a full rolling boil.
    </p>
  ) : (
    <p className="mt-2">
      This batch was not for the shelf, and cooked again it is not either:{' '}
      <strong>refrigerate or freeze it</strong>.
    </p>
  );
}

interface StartProps {
  readonly batches: number;
  /** Undefined where its record does not allow it. */
  readonly how: RemakeStart | undefined;
  readonly hasRecord: boolean;
}

/** Makes a batch of it, with its own balance, steps and storage. */
function Start({ batches, how, hasRecord }: StartProps) {
  const [takesJarsOff, setTakesJarsOff] = useState(true);
  if (!how)
    return hasRecord ? (
      <p className="mt-3 text-soft">
        It cannot be a batch of its own: something that went into it is not understood.
      </p>
    ) : null;
  const opened = how.opens.reduce((sum, { count }) => sum + count, 0);
  return (
    <>
      {opened > 0 && (
        <label className="mt-3 flex min-h-[44px] cursor-pointer items-center gap-3">
          <input
            type="checkbox"
            className="checkbox"
            checked={takesJarsOff}
            onChange={({ target }) => setTakesJarsOff(target.checked)}
          />
          Take {counted(opened, 'jar')} off the shelf: opened for this batch
        </label>
      )}
      <button
        type="button"
        className="btn btn-primary mt-3 w-full"
        onClick={() => how.start(takesJarsOff)}
      >
        {batches > 1 ? `Start one of the ${batches} as a new batch` : 'Start it as a new batch'}
      </button>
    </>
  );
}
