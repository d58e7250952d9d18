import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { JAR_SIZES, jarWords, type JarsFilled } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { JarWall } from '../../batch/jar-wall.js';
import { logEvent } from '../../data/log-event.js';
import { outbox } from '../../data/outbox.js';
import { useShelf } from '../../data/queries.js';
import { JarPicture, jarName, jarsOf, partWords } from '../../ui/jar-picture.js';
import { Notice } from '../../ui/notice.js';
import { ProcessOfJars } from './process.js';

const PARTS = [0, 0.25, 0.5, 0.75] as const;

/** Jars by size, the part jar, and onto the shelf. */
export function Jar() {
  const { id, balance, boil, document, formula, keeping } = useBatch();
  const { lots } = useShelf();
  const shelved = lots.some((lot) => lot.batchId === id);
  const planned = document.jars.map((jar) => jar.size);
  const [extra, setExtra] = useState<readonly string[]>([]);
  const sizes = [...new Set([...planned, ...boil.jarred.map((jar) => jar.size), ...extra])];
  const of = (size: string): JarsFilled =>
    boil.jarred.find((jar) => jar.size === size) ?? { size, full: 0, part: 0 };
  const count = (jar: JarsFilled): void => {
    const jars = sizes
      .map((size) => (size === jar.size ? jar : of(size)))
      .filter((each) => each.full + each.part > 0);
    logEvent(id, 'jarred', { jars });
  };
  const filled = boil.jarred.reduce((sum, jar) => sum + jar.full + jar.part, 0);
  const expected = balance?.jars.reduce((sum, jar) => sum + jar.count.high, 0) ?? 0;
  const headspace_mm = keeping?.process?.headspace_mm ?? formula.jars[0]?.headspace_mm ?? 6.35;
  const tooMany =
    balance !== null &&
    filled > balance.yieldBracket.most &&
    boil.jarred.every((jar) => jar.size === 'half-pint');
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <div className="flex flex-col gap-4">
        <section aria-label="Jars filled" className="panel p-4">
          <h2 className="text-xl">Jars filled</h2>
          <p className="text-soft">Tap as each one is lidded. The last, part jar goes in the fridge.</p>
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
                onChange={(event) => setExtra((was) => [...was, event.target.value])}
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
          {tooMany && (
            <p className="mt-2 text-sm text-watch">That is more than this pot can fill; count again?</p>
          )}
        </section>
        {keeping && <ProcessOfJars keeping={keeping} />}
        {shelved ? (
          <Link to="../shelf" className="btn btn-primary h-[60px] w-full text-lg">
            On the shelf: see the jars
          </Link>
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
            <JarWall balance={balance} />
            <p className="mt-2 text-soft">
              Up to {expected.toFixed(1)} may come out, and one is spare. Headspace {headspace_mm.toFixed(0)}{' '}
              mm ({headspace_mm > 10 ? '½' : '¼'} in) below the rim: less and it boils out under the lid, more
              and the vacuum is weak.
            </p>
          </section>
        )}
        <Notice title="Hot glass, hot jam" tone="care">
          <ul className="mt-1 list-disc space-y-1.5 pl-5">
            <li>Hot jars for hot jam, on wood or a towel: cold glass or bare stone cracks them.</li>
            <li>Lid on the pot before it is carried. Children and pets out of the way.</li>
            <li>
              Skim or stir in the foam; let whole fruit and peel rest 5 to 10 minutes, so that they do not
              float.
            </li>
            <li>Wipe rims, lids to fingertip tight.</li>
          </ul>
        </Notice>
      </div>
    </div>
  );
}

interface SizeRowProps {
  readonly jar: JarsFilled;
  readonly disabled: boolean;
  readonly onChange: (jar: JarsFilled) => void;
}

function SizeRow({ jar, disabled, onChange }: SizeRowProps) {
  const name = jarName(jar.size, 2);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-3">
      <JarPicture size={jar.size} fill={jar.full > 0 ? 1 : jar.part} scale={64} />
      <span className="min-w-[5.5rem] flex-1 font-semibold">{name}</span>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn btn-square size-14"
          aria-label={`One ${jarName(jar.size, 1)} less`}
          disabled={disabled || jar.full === 0}
          onClick={() => onChange({ ...jar, full: jar.full - 1 })}
        >
          <Minus aria-hidden="true" className="size-6" />
        </button>
        <output aria-label={`${name} filled`} className="display w-12 text-center text-[34px]">
          {jar.full}
        </output>
        <button
          type="button"
          className="btn btn-square btn-secondary size-14"
          aria-label={`One ${jarName(jar.size, 1)} more`}
          disabled={disabled || jar.full >= 1000}
          onClick={() => onChange({ ...jar, full: jar.full + 1 })}
        >
          <Plus aria-hidden="true" className="size-6" />
        </button>
      </div>
      <div
        role="radiogroup"
        aria-label={`Part ${jarName(jar.size, 1)}`}
        className="flex w-full flex-wrap items-center gap-1.5"
      >
        <span className="mr-1 text-sm text-soft">and a part jar</span>
        {PARTS.map((part) => (
          <button
            key={part}
            type="button"
            role="radio"
            aria-checked={Math.abs(jar.part - part) < 0.01}
            disabled={disabled}
            className={`btn btn-sm min-h-[44px] ${Math.abs(jar.part - part) < 0.01 ? 'btn-neutral' : ''}`}
            onClick={() => onChange({ ...jar, part })}
          >
            {part === 0 ? 'none' : { 0.25: '¼', 0.5: '½', 0.75: '¾' }[part]}
          </button>
        ))}
      </div>
    </li>
  );
}

/** Puts what was counted on the shelf, once. */
function ToShelf({ filled }: { readonly filled: number }) {
  const { id, boil } = useBatch();
  const processed = boil.processed !== undefined;
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const put = async (): Promise<void> => {
    setBusy(true);
    const madeOn = new Date(boil.endedAt ?? Date.now()).toISOString().slice(0, 10);
    for (const { size, full, part } of boil.jarred) {
      if (full > 0) await outbox.addPut({ id: crypto.randomUUID(), batchId: id, size, count: full, madeOn });
      if (part > 0)
        await outbox.addPut({ id: crypto.randomUUID(), batchId: id, size, count: 1, partFill: part, madeOn });
    }
    toast.success(
      processed ? 'On the shelf list' : 'On the shelf list as fridge jars: no process is in the log',
    );
    await navigate('../shelf');
  };
  return (
    <>
      <button
        type="button"
        className="btn btn-primary h-[60px] w-full text-lg"
        disabled={filled === 0 || busy}
        onClick={() => void put()}
      >
        Put{' '}
        {filled === 0
          ? 'them'
          : boil.jarred
              .map((jar) =>
                [
                  jar.full > 0 && jarsOf(String(jar.full), jar.size, jar.full),
                  jar.part > 0 && `one ${partWords(jar.part)}`,
                ]
                  .filter(Boolean)
                  .join(' and '),
              )
              .join(', ')}{' '}
        on the shelf
      </button>
      {filled > 0 && !processed && (
        <p className="mt-2 text-sm text-soft">
          No process is in the log yet: jars put away now count as fridge jars until it is.
        </p>
      )}
      {filled === 0 && <p className="mt-2 text-sm text-soft">Count the jars first.</p>}
    </>
  );
}
