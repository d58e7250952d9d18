import { useEffect } from 'react';

let page = '';
let clock = '';

const show = (): void => {
  document.title = [clock, page, 'Idle Kettle'].filter((part) => part !== '').join(' · ');
};

/** Names the page in the tab while it is shown. */
export function useTitle(title: string): void {
  useEffect(() => {
    page = title;
    show();
  }, [title]);
}

/** The clock that runs out first, before the name of the page; empty for none. */
export function setTitleClock(words: string): void {
  if (words === clock) return;
  clock = words;
  show();
}
