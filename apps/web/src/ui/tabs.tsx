import { useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';

interface Tab {
  readonly name: string;
  readonly shown: ReactNode;
}

interface TabsProps {
  /** What they are, for whoever listens. */
  readonly label: string;
  readonly tabs: readonly Tab[];
}

const STEP: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowLeft: -1 };

/** One of several pictures at a time, in the same room: arrow keys go from tab to tab. */
export function Tabs({ label, tabs }: TabsProps) {
  const id = useId();
  const [chosen, setChosen] = useState(tabs[0]?.name);
  const list = useRef<HTMLDivElement>(null);
  // What was chosen may not be there any more.
  const open = tabs.find(({ name }) => name === chosen) ?? tabs[0];
  if (!open) return null;
  const index = tabs.indexOf(open);
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = STEP[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = (index + step + tabs.length) % tabs.length;
    setChosen(tabs[next]?.name);
    list.current?.querySelectorAll<HTMLElement>('[role=tab]')[next]?.focus();
  };
  return (
    <div className="flex h-full flex-col">
      <div
        ref={list}
        role="tablist"
        aria-label={label}
        className="mb-2 flex flex-wrap gap-1"
        onKeyDown={onKeyDown}
      >
        {tabs.map(({ name }, i) => (
          <button
            key={name}
            type="button"
            role="tab"
            id={`${id}-${i}`}
            aria-selected={name === open.name}
            aria-controls={`${id}-panel`}
            tabIndex={name === open.name ? 0 : -1}
            className={`min-h-[44px] cursor-pointer rounded-[10px] px-3 ${name === open.name ? 'bg-base-300 font-semibold' : 'text-soft hover:text-base-content'}`}
            onClick={() => setChosen(name)}
          >
            {name}
          </button>
        ))}
      </div>
      <div
        role="tabpanel"
        id={`${id}-panel`}
        aria-labelledby={`${id}-${index}`}
        className="min-w-0 flex-1"
      >
        {open.shown}
      </div>
    </div>
  );
}
