import { browserStore, oneOf } from '../data/browser-store.js';

const THEMES = ['day', 'night'] as const;
export type Theme = (typeof THEMES)[number];

const theme = browserStore<Theme>({
  key: 'kettle.theme',
  parse: oneOf(THEMES),
  otherwise: () =>
    globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'night' : 'day',
});

const show = (shown: Theme): void => {
  document.documentElement.dataset.theme = shown;
};

/** Call once before the first paint. */
export const startTheme = (): void => show(theme.get());

export function setTheme(next: Theme): void {
  theme.set(next);
  show(next);
}

export const useTheme = theme.use;
