import { format } from 'date-fns';
import { useEffect } from 'react';
import { jarsAhead, timeOnHeat_ms, type JarsAhead, type WatchedBoil } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { clock } from '../../ui/now.js';
import { spanWords } from '../../ui/length-words.js';
import { useFormats } from '../../ui/preferences.js';
import { timeLeft } from './readouts.js';

/** The figures of a long cook from two metres: how long, what is in it, what is still to lose. */
export function CookReadouts({ watched }: { readonly watched: WatchedBoil | undefined }) {
  const { boil, balance, formula, tellJarsNow } = useBatch();
  const now = useBatchNow();
  const formats = useFormats();
  const told = boil.phase === 'on-heat' ? timeLeft(watched, now) : undefined;
  const mass_kg = watched?.forecast.now.mass_kg ?? balance?.massIn_kg.mid;
  const finish_kg = watched?.finishMass_kg ?? balance?.finish.mass_kg.mid;
  const over_kg =
    mass_kg === undefined || finish_kg === undefined ? undefined : Math.max(mass_kg - finish_kg, 0);
  const isByClock = formula.stages.length > 0 && formula.stages.at(-1)?.end.type === 'time';
  const done = boil.phase === 'done';
  const ahead = !done && watched && balance ? jarsAhead(balance, formula, watched) : undefined;
  // One yield on a screen: the panel beside shows the same.
  const { size, count } = ahead ?? {};
  const { low = 0, mid = 0, high = 0 } = count ?? {};
  useEffect(() => {
    tellJarsNow(size === undefined ? undefined : { size, count: { low, mid, high } });
    return () => tellJarsNow(undefined);
  }, [size, low, mid, high, tellJarsNow]);
  const depthsOrWeights = boil.depths.length + boil.weighings.length;
  return (
    <section
      aria-label="Where it stands"
      className="panel grid h-full grid-cols-2 content-between gap-x-4 gap-y-2 p-4"
    >
      <div className="col-span-2">
        <p className="text-soft">{told === undefined ? 'on the heat' : 'time left'}</p>
        {told !== undefined && (
          <p aria-label={`Time left: ${told}`} className="display text-[40px] leading-[1.05]">
            {told}
          </p>
        )}
        <p role="timer" aria-label="on the heat" className="mt-1 text-soft">
          {clock(timeOnHeat_ms(boil, now))} on the heat
          {told !== undefined &&
            watched &&
            `, ready about ${format(now + watched.forecast.left_s.mid * 1000, 'HH:mm')}`}
        </p>
      </div>
      <Figure
        name="in the pan now, about"
        value={mass_kg === undefined ? '–' : formats.mass(mass_kg)}
      />
      <Figure
        name={isByClock ? 'will still lose' : 'still to lose'}
        value={done || over_kg === undefined ? '–' : formats.mass(over_kg)}
      />
      {ahead && (
        <p aria-label="Jars to have ready" className="col-span-2">
          <strong className="text-[22px]">{jarsToHave(ahead)}</strong>{' '}
          <span className="text-soft">
            as it looks now{depthsOrWeights > 0 ? '' : '; a weight or a depth narrows it'}
          </span>
        </p>
      )}
      {balance && (
        <p className="col-span-2 text-soft">
          {isByClock
            ? 'ended by the clock'
            : 'stop when it mounds and no ring of water runs from it'}
          ; the whole cook {spanWords(balance.cook.minutes.low, balance.cook.minutes.high)}
        </p>
      )}
    </section>
  );
}

/** "7 to 9 half-pints", in whole jars: a started one wants a jar too. */
function jarsToHave({ size, count }: JarsAhead): string {
  const least = Math.max(Math.floor(count.low), 1);
  const most = Math.max(Math.ceil(count.high), 1);
  const jars = jarsOf(String(most), size, most);
  return least === most ? jars : `${least} to ${jars}`;
}

const Figure = ({ name, value }: { readonly name: string; readonly value: string }) => (
  <div className="min-w-0">
    <p className="text-soft">{name}</p>
    <p className="text-[30px] leading-tight font-bold sm:text-[38px]">{value}</p>
  </div>
);
