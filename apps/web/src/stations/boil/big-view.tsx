import { Minimize2, Moon, Sun } from 'lucide-react';
import type { ReactNode } from 'react';
import type { WatchedBoil } from '@idle-kettle/core';
import type { Theme } from '../../ui/theme.js';
import { FIGURE_TONES } from './readouts.js';
import { useStoveFigures, type StoveFigures } from './use-stove-figures.js';

interface BigViewProps {
  readonly theme: Theme;
  readonly title: string;
  readonly watched: WatchedBoil | undefined;
  readonly line: { readonly at_C: number; readonly name: string };
  /** The clocks that run, and the other batches on the stove. */
  readonly head: ReactNode;
  /** How it calls. */
  readonly beside: ReactNode;
  /** The one thing to do now. */
  readonly nextStep: ReactNode;
  /** What a tap opened, in place of the figures. */
  readonly opened: ReactNode;
  /** The six targets. */
  readonly actions: ReactNode;
  readonly onLeave: () => void;
  readonly onTheme: (theme: Theme) => void;
}

/**
 * The boil filling the screen, to be read from across the kitchen: time left, now, to go, the one
 * thing to do and six targets. No curve, no log.
 */
export function BigView({
  theme,
  title,
  watched,
  line,
  head,
  beside,
  nextStep,
  opened,
  actions,
  onLeave,
  onTheme,
}: BigViewProps) {
  const Other = theme === 'night' ? Sun : Moon;
  return (
    <div
      data-theme={theme}
      data-big
      className="fixed inset-0 z-40 flex flex-col gap-3 overflow-y-auto bg-base-200 p-3 text-base-content sm:p-5"
    >
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="min-w-0 flex-1 truncate text-[22px] sm:text-[30px]">{title}</h2>
        <div className="flex items-center gap-1">
          {beside}
          <button
            type="button"
            className="btn btn-ghost max-sm:btn-square"
            aria-label={theme === 'night' ? 'Bright' : 'Dark'}
            onClick={() => onTheme(theme === 'night' ? 'day' : 'night')}
          >
            <Other aria-hidden="true" className="size-5" />
            <span className="hidden sm:inline">{theme === 'night' ? 'Bright' : 'Dark'}</span>
          </button>
          <button
            type="button"
            className="btn max-sm:btn-square"
            aria-label="Leave big view"
            onClick={onLeave}
          >
            <Minimize2 aria-hidden="true" className="size-5" />
            <span className="hidden sm:inline">Leave big view</span>
          </button>
        </div>
      </header>
      {head}
      {opened ?? <BigFigures watched={watched} line={line} />}
      {nextStep}
      <div className="flex min-h-[200px] flex-1 flex-col justify-end lg:min-h-[110px]">
        {actions}
      </div>
    </div>
  );
}

function BigFigures({ watched, line }: Pick<BigViewProps, 'watched' | 'line'>) {
  const { figures, ...time } = useStoveFigures(watched, line);
  return (
    <section
      aria-label="Readings"
      className="grid gap-x-10 gap-y-1 sm:grid-cols-2 lg:grid-cols-[auto_auto_auto] lg:items-end lg:justify-between"
    >
      <div className="sm:col-span-2 lg:col-span-1">
        <p className="text-soft sm:text-[20px]">
          {time.head}
          {time.isStale && (
            <strong className="text-watch"> · the last reading is old: take one now</strong>
          )}
        </p>
        <BigTime {...time} />
      </div>
      {figures.map(({ name, value, tone }) => (
        <div key={name} className="flex items-center justify-between gap-3 sm:block">
          <p className="text-soft max-sm:w-20 sm:text-[20px]">{name}</p>
          <p
            className={`leading-none font-bold whitespace-nowrap ${value === 'reached' ? 'text-[56px] sm:text-[72px]' : 'text-[90px]'} ${FIGURE_TONES[tone]}`}
          >
            {value}
          </p>
        </div>
      ))}
    </section>
  );
}

/** "5 to 8 min": the figures at their full size, the words between them small. */
function BigTime({ large, left, isMinute, isStale }: Omit<StoveFigures, 'figures'>) {
  const hasFigures = /\d/.test(large);
  const words = hasFigures ? 'text-[34px]' : 'text-[76px] sm:text-[120px]';
  return (
    <p
      {...(left === undefined ? { role: 'timer' } : { 'aria-label': `Time left: ${left}` })}
      className={`display leading-none ${isMinute ? 'text-watch' : ''} ${isStale ? 'text-soft' : ''} ${hasFigures ? 'whitespace-nowrap' : 'lg:whitespace-nowrap'}`}
    >
      {large.split(/(\d[\d:.]*)/).map((part, i) => (
        <span key={i} className={/\d/.test(part) ? sizeOf(large) : words}>
          {part}
        </span>
      ))}
    </p>
  );
}

/** The largest a time is drawn so that it fits across a phone. */
const sizeOf = (large: string): string =>
  large.replace(/[^\d:.]/g, '').length > 4
    ? 'text-[76px] sm:text-[140px]'
    : 'text-[120px] sm:text-[150px]';
