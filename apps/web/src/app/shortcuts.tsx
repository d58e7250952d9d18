import { useState } from 'react';
import { useNewBatch } from '../batch/new-batch.js';
import {
  shortcutKeys,
  shortcutsByPage,
  useShortcutListener,
  useShortcuts,
} from '../ui/shortcuts.js';

const PAGE_WORDS = { everywhere: 'Everywhere', balance: 'Balance', boil: 'Boil' } as const;

/** Listens to every shortcut; a question mark outside a field shows the list. */
export function Shortcuts() {
  const [shown, setShown] = useState(false);
  const newBatch = useNewBatch();
  useShortcutListener();
  useShortcuts({
    list: () => setShown((was) => !was),
    'new-batch': () => void newBatch(),
    close: shown ? () => setShown(false) : undefined,
  });
  if (!shown) return null;
  return (
    <section
      aria-label="Keys"
      className="panel fixed right-4 bottom-20 z-40 max-h-[80dvh] w-80 overflow-auto p-4 md:bottom-4"
    >
      <div className="flex items-center justify-between">
        <h2 className="text-lg">Keys</h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm min-h-[44px]"
          onClick={() => setShown(false)}
        >
          Close
        </button>
      </div>
      {shortcutsByPage().map(([where, shortcuts]) => (
        <div key={where}>
          <h3 className="mt-2 text-sm text-soft">{PAGE_WORDS[where]}</h3>
          <dl className="grid grid-cols-[7.5rem_1fr] gap-y-1">
            {shortcuts.map((shortcut) => (
              <div key={shortcutKeys(shortcut)} className="contents">
                <dt className="font-bold">{shortcutKeys(shortcut)}</dt>
                <dd>{shortcut.words}</dd>
              </div>
            ))}
          </dl>
        </div>
      ))}
    </section>
  );
}
