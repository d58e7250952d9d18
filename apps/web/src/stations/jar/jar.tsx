import { useState } from 'react';
import { Link } from 'react-router';
import {
  filledVolume_ml,
  firstFilledAt,
  HALF_PINT_ML,
  JAR_SIZES,
  jarWords,
  QUARTER_INCH_MM,
  type JarsCounted,
  type JarsFilled,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { JarWall } from '../../batch/jar-wall.js';
import { newId } from '../../data/ids.js';
import { logEvent } from '../../data/log-event.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { takeOffList, useLotsOf } from '../../data/shelf.js';
import { useFormats } from '../../ui/preferences.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { Notice } from '../../ui/notice.js';
import { Headspace } from './headspace.js';
import { HeatQuestion } from './heat-question.js';
import { Lids } from './lids.js';
import { Loads } from './loads.js';
import { ProcessOfJars } from './process.js';
import { MeasuredPH } from './measured-ph.js';
import { PartJars, RunsOut } from './runs-out.js';
import { SealsOfJars } from './seals.js';
import { OffHeatDue } from '../../batch/lines-due.js';
import { SizeRow } from './size-row.js';
import { stockOf } from './stock-of.js';
import { ToShelf } from './to-shelf.js';
import { Loading } from '../../ui/page.js';

/** The jars of one size as they are now, as a change of those that were: only what is tapped. */
const countOf = (jar: JarsFilled, ids: readonly string[]): JarsCounted => ({
  ...jar,
  added: Array.from({ length: Math.max(jar.full - ids.length, 0) }, newId),
  ...(jar.full < ids.length && { removed: ids.slice(jar.full) }),
});

/** Jars by size, the part jar, the process, the seals, and onto the shelf. */
export function Jar() {
  const { id, balance, boil, document, formula, keeping } = useBatch();
  const formats = useFormats();
  const isStop = keeping.verdict === 'stop';
  const gear = useKitchenInUse()?.gear;
  const { lots, isPending } = useLotsOf(id);
  const shelved = lots.length > 0;
  const planned = document.jars.map((jar) => jar.size);
  const [extra, setExtra] = useState<readonly string[]>([]);
  const sizes = [...new Set([...planned, ...boil.jarred.map((jar) => jar.size), ...extra])];
  const of = (size: string): JarsFilled =>
    boil.jarred.find((jar) => jar.size === size) ?? { size, full: 0, part: 0 };
  const count = (jar: JarsFilled): void => {
    // What the first jar is filled from stays what is in the jars.
    if (jar.full + jar.part > 0 && firstFilledAt(boil) === undefined)
      logEvent(id, 'formula-filled', { document });
    logEvent(id, 'jarred', { jars: [countOf(jar, boil.jarTally.get(jar.size)?.ids ?? [])] });
  };
  const filled = boil.jarred.reduce((sum, jar) => sum + jar.full + jar.part, 0);
  const expected = balance?.jars.reduce((sum, jar) => sum + jar.count.high, 0) ?? 0;
  const headspace_mm =
    keeping.process?.headspace_mm ?? formula.jars[0]?.headspace_mm ?? QUARTER_INCH_MM;
  const stock = stockOf(gear);
  const volume_ml = filledVolume_ml(boil.jarred, headspace_mm, stock);
  const most_ml = (balance?.yieldBracket.most ?? Infinity) * HALF_PINT_ML;
  const add = (size: string): void => setExtra((was) => [...was, size]);
  // Whether its jars are on the shelf decides what can be counted.
  if (isPending && !shelved) return <Loading />;
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <div className="flex flex-col gap-4">
        {filled === 0 && <OffHeatDue />}
        {/* The day after, the lids are what one comes back for. */}
        <SealsOfJars
          minutes={
            (keeping.process ?? keeping.processMeanwhile)?.minutes ?? boil.processed?.minutes
          }
        />
        <section aria-label="Jars filled" className="panel p-4">
          <h2 className="text-xl">Jars filled</h2>
          <p className="text-soft">
            Tap as each one is lidded.{!isStop && ' The last, part jar goes in the fridge.'}
          </p>
          {boil.phase === 'on-heat' && filled > 0 && (
            <p role="alert" className="mt-1 text-watch">
              By the log the pan is still on the heat: say at the Boil station that it is done, or
              take the jars back.
            </p>
          )}
          <ul>
            {sizes.map((size) => (
              <SizeRow key={size} jar={of(size)} disabled={shelved} onChange={count} />
            ))}
          </ul>
          {!shelved && (
            <label className="mt-3 flex items-center gap-2 text-sm text-soft">
              another size
              <select
                className="select w-44 text-base-content"
                value=""
                onChange={(event) => add(event.target.value)}
              >
                <option value="">choose…</option>
                {JAR_SIZES.filter((jar) => !sizes.includes(jar.id)).map((jar) => (
                  <option key={jar.id} value={jar.id}>
                    {jar.name[1]}
                  </option>
                ))}
              </select>
            </label>
          )}
          {volume_ml > most_ml && (
            <p role="alert" className="mt-2 text-watch">
              These jars hold {formats.volume(volume_ml)}; this pan can fill{' '}
              {formats.volume(most_ml)} at most, with no water boiled away. Count again?
            </p>
          )}
          {!shelved && balance && (
            <RunsOut
              balance={balance}
              jarred={boil.jarred}
              stock={stock}
              headspace_mm={headspace_mm}
              shown={sizes}
              onAdd={add}
            />
          )}
          {!boil.processed && !isStop && (
            <PartJars jarred={boil.jarred} headspace_mm={headspace_mm} />
          )}
          {filled > 0 && (!shelved || boil.lids) && <Lids />}
        </section>
        <HeatQuestion />
        <ProcessOfJars keeping={keeping} />
        <MeasuredPH />
        {shelved ? (
          <>
            <Link to="../shelf" className="btn btn-primary h-[60px] w-full text-lg">
              On the shelf: see the jars
            </Link>
            {lots.some(({ count: left }) => left > 0) && (
              <button type="button" className="btn" onClick={() => takeOffList(lots)}>
                Remove from the shelf list
              </button>
            )}
          </>
        ) : (
          <ToShelf filled={filled} />
        )}
      </div>
      <div className="flex flex-col gap-4">
        {balance && (
          <section aria-label="Expected" className="panel p-4">
            <h2 className="mb-3 text-xl">
              Have {balance.readyJars} hot, for{' '}
              {balance.jars
                .filter((jar) => jar.count.mid > 0.05)
                .map((jar) => jarsOf(jarWords(jar.count.mid), jar.size))
                .join(' and ')}
            </h2>
            <JarWall balance={balance} verdict={keeping.verdict} />
            <p className="mt-2 text-soft">
              Up to {expected.toFixed(1)} may come out, and one is spare.
            </p>
            <Loads
              balance={balance}
              jarred={boil.jarred}
              method={(keeping.process ?? keeping.processMeanwhile)?.method}
            />
          </section>
        )}
        <Headspace mm={headspace_mm} />
        <Notice title="Hot glass, hot jam" tone="care">
          <ul className="mt-1 list-disc space-y-1.5 pl-5">
            <li>Hot jars for hot jam, on wood or a towel: cold glass or bare stone cracks them.</li>
            <li>Lid on the pan before it is carried. Children and pets out of the way.</li>
            <li>
              Skim or stir in the foam; let whole fruit and peel rest 5 to 10 minutes, so that they
              do not float.
            </li>
            <li>
              Free bubbles with wood or plastic, never metal. Wipe rims, lids to fingertip tight.
            </li>
          </ul>
        </Notice>
      </div>
    </div>
  );
}
