import { shortcutKeys, shortcutsByPage } from './shortcuts.js';

const PAGE_WORDS = {
  everywhere: 'Everywhere',
  balance: 'Balance',
  boil: 'Boil',
  jar: 'Jar',
  practice: 'Practice',
} as const;

/** Every shortcut, page by page. */
export const ShortcutList = () =>
  shortcutsByPage().map(([where, shortcuts]) => (
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
  ));
