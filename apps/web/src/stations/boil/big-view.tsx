import { Maximize2, Minimize2, Moon, Sun } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Theme } from '../../ui/theme.js';

interface BigViewProps {
  readonly big: boolean;
  readonly theme: Theme;
  readonly title: string;
  /** The other pots, in the head of the big view. */
  readonly others: ReactNode;
  /** What stands beside the button that opens it. */
  readonly beside: ReactNode;
  readonly children: ReactNode;
  readonly onBig: (big: boolean) => void;
  readonly onTheme: (theme: Theme) => void;
}

/** The boil as it is on its station, or filling the screen to be read from across the kitchen. */
export function BigView({
  big,
  theme,
  title,
  others,
  beside,
  children,
  onBig,
  onTheme,
}: BigViewProps) {
  if (!big)
    return (
      <>
        <div className="mb-2 flex flex-wrap items-center justify-end gap-2">
          {beside}
          <button type="button" className="btn btn-ghost" onClick={() => onBig(true)}>
            <Maximize2 aria-hidden="true" className="size-5" /> Big view for the stove
          </button>
        </div>
        {children}
      </>
    );
  const Other = theme === 'night' ? Sun : Moon;
  return (
    <div
      data-theme={theme}
      className="fixed inset-0 z-40 overflow-y-auto bg-base-200 p-3 text-base-content sm:p-6"
    >
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-[26px]">{title}</h2>
        {others}
        <div className="flex flex-wrap items-center gap-2">
          {beside}
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => onTheme(theme === 'night' ? 'day' : 'night')}
          >
            <Other aria-hidden="true" className="size-5" /> {theme === 'night' ? 'Bright' : 'Dark'}
          </button>
          <button type="button" className="btn" onClick={() => onBig(false)}>
            <Minimize2 aria-hidden="true" className="size-5" /> Leave big view
          </button>
        </div>
      </div>
      {children}
    </div>
  );
}
