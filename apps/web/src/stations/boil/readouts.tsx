import type { Boil, WatchedBoil } from '@idle-kettle/core';
import { useFormats } from '../../ui/preferences.js';
import { TimeLeft } from './time-left-figure.js';
import { useStoveFigures, type StoveFigure } from './use-stove-figures.js';

interface ReadoutsProps {
  readonly boil: Boil;
  /** Where to stop, or about where the finish will be when something else tells. */
  readonly gel_C: number;
  /** What tells the finish: "stop at 100.5 °C", "stop when it mounds on a spoon". */
  readonly stop: { readonly lead: string; readonly words: string };
  readonly byTemperature: boolean;
  /** What tells the time left, where it can be told. */
  readonly watched: WatchedBoil | undefined;
  /** Where the egg curdles, for a curd. */
  readonly curdles_C: number | undefined;
  readonly onBig: () => void;
}

export const FIGURE_TONES: Readonly<Record<StoveFigure['tone'], string>> = {
  good: 'text-good',
  'to-go': 'text-secondary',
  plain: '',
};

/** The figures one looks for at the stove: time left, now, what is missing. */
export function Readouts({
  boil,
  gel_C,
  stop,
  byTemperature,
  watched,
  curdles_C,
  onBig,
}: ReadoutsProps) {
  const formats = useFormats();
  const name = byTemperature ? 'setting point' : 'finish';
  const { figures, ...time } = useStoveFigures(watched, { at_C: gel_C, name });
  return (
    <section
      aria-label="Readings"
      className="panel grid h-full grid-cols-2 content-between gap-x-4 gap-y-1 px-4 py-2 sm:py-3"
    >
      <TimeLeft {...time} onBig={onBig} />
      {figures.map((figure) => (
        <div key={figure.name} className="min-w-0">
          <p className="text-soft">{figure.name}</p>
          <p
            className={`leading-tight font-bold ${figure.value === 'reached' ? 'text-[32px]' : 'text-[36px] sm:text-[42px]'} ${FIGURE_TONES[figure.tone]}`}
          >
            {figure.value}
          </p>
        </div>
      ))}
      <p
        className={`col-span-2 text-[15px] leading-snug text-soft ${byTemperature && curdles_C === undefined ? 'max-sm:hidden' : ''}`}
      >
        <span className={byTemperature ? 'max-sm:hidden' : ''}>
          {byTemperature ? 'stop at' : stop.lead}{' '}
          <strong className="text-base-content">
            {byTemperature ? formats.temperature(gel_C) : stop.words}
          </strong>
          {!byTemperature && `, near ${formats.temperature(gel_C)}`}
        </span>
        {boil.boilingPoint_C !== undefined && (
          <span className="max-sm:hidden">
            {' '}
            · water boils at {formats.temperature(boil.boilingPoint_C)}
          </span>
        )}
        {curdles_C !== undefined && (
          <>
            {' '}
            · <span className="text-bad">it curdles from {formats.temperature(curdles_C)}</span>
          </>
        )}
      </p>
    </section>
  );
}
