import { useEffect } from 'react';
import { jarsAhead, type JarsAhead, type WatchedBoil } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { spanWords } from '../../ui/length-words.js';
import { TimeLeft } from './time-left-figure.js';
import { useStoveFigures } from './use-stove-figures.js';
import * as dates from '../../ui/dates.js';

/** Where the finish of a long cook is: told by its looks, not by a line on the thermometer. */
const BY_LOOKS = { at_C: NaN, name: 'finish' };

/** The figures of a long cook: how long, what is in it, what is still to lose. */
export function CookReadouts({
  watched,
  onBig,
}: {
  readonly watched: WatchedBoil | undefined;
  readonly onBig: () => void;
}) {
  const { boil, balance, formula, tellJarsNow } = useBatch();
  const now = useBatchNow();
  const { figures, ...time } = useStoveFigures(watched, BY_LOOKS);
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
      aria-label="Readings"
      className="panel grid h-full grid-cols-2 content-between gap-x-4 gap-y-1 px-4 py-3"
    >
      <TimeLeft {...time} onBig={onBig}>
        {time.left !== undefined &&
          watched &&
          `, ready about ${dates.time(now + watched.forecast.left_s.mid * 1000)}`}
      </TimeLeft>
      {figures.map(({ name, value }) => (
        <div key={name} className="min-w-0">
          <p className="text-soft">{name}</p>
          <p className="text-[30px] leading-tight font-bold sm:text-[36px]">{value}</p>
        </div>
      ))}
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
