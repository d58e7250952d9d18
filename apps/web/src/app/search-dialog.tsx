import { Suspense, useState } from 'react';
import { fetchedPart } from '../ui/fetched-part.js';
import { SEARCH_FIELD, writeOn } from './search-field.js';

const Palette = fetchedPart(() => import('./palette.js'));

/** Opened at once, with the cursor in its field. */
const showModal = (dialog: HTMLDialogElement | null): void => {
  if (!dialog || dialog.open) return;
  dialog.showModal();
  writeOn(dialog.querySelector('input'));
};

/**
 * One search over everything. The field is there before what finds things is: a key that is typed
 * meanwhile is written in it, and never goes to the screen behind.
 */
export function SearchDialog({ onClose }: { readonly onClose: () => void }) {
  const [typed, setTyped] = useState('');
  return (
    <dialog
      ref={showModal}
      aria-label="Search"
      className="mx-auto mt-[8dvh] w-[calc(100%-24px)] max-w-xl overflow-hidden rounded-[14px] border border-line bg-base-100 text-base-content backdrop:bg-black/40"
      onClose={onClose}
      onClick={({ target, currentTarget }) => {
        // Beside it.
        if (target === currentTarget) onClose();
      }}
    >
      <Suspense
        fallback={
          <input
            {...SEARCH_FIELD}
            ref={writeOn}
            aria-label="Search"
            value={typed}
            onChange={({ target }) => setTyped(target.value)}
          />
        }
      >
        <Palette typed={typed} onType={setTyped} onClose={onClose} />
      </Suspense>
    </dialog>
  );
}
