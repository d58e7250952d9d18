import { useState } from 'react';
import { useNewBatch } from '../batch/new-batch.js';
import { ShortcutList } from '../ui/shortcut-list.js';
import { SearchDialog } from './search-dialog.js';
import { openSearch, useSearchOpen } from './search-open.js';
import { useShortcutListener, useShortcuts } from '../ui/shortcuts.js';

/** Listens to every shortcut; a question mark outside a field shows the list. */
export function Shortcuts() {
  const [shown, setShown] = useState(false);
  const isSearching = useSearchOpen();
  const newBatch = useNewBatch();
  useShortcutListener();
  useShortcuts({
    list: () => setShown((was) => !was),
    search: () => openSearch(true),
    'search-key': () => openSearch(true),
    'new-batch': () => void newBatch(),
    close: shown ? () => setShown(false) : undefined,
  });
  return (
    <>
      {isSearching && <SearchDialog onClose={() => openSearch(false)} />}
      {shown && <Keys onClose={() => setShown(false)} />}
    </>
  );
}

/** The list of the keys. */
function Keys({ onClose }: { readonly onClose: () => void }) {
  return (
    <section
      aria-label="Keys"
      className="panel fixed right-4 bottom-20 z-40 max-h-[80dvh] w-80 overflow-auto p-4 md:bottom-4"
    >
      <div className="flex items-center justify-between">
        <h2 className="text-lg">Keys</h2>
        <button type="button" className="btn btn-ghost btn-sm min-h-[44px]" onClick={onClose}>
          Close
        </button>
      </div>
      <ShortcutList />
    </section>
  );
}
