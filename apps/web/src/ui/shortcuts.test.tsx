/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { show } from '../testing/with-preferences.js';
import {
  shortcutKeys,
  shortcutsByPage,
  shortcutTarget,
  useShortcutListener,
  useShortcuts,
} from './shortcuts.js';

function Page({
  onTest,
  canUndo = true,
}: {
  readonly onTest: () => void;
  readonly canUndo?: boolean;
}) {
  const [undone, setUndone] = useState(0);
  useShortcutListener();
  useShortcuts({ test: onTest, 'undo-typed': canUndo ? () => setUndone((n) => n + 1) : undefined });
  return (
    <>
      <input aria-label="line" {...shortcutTarget('line')} defaultValue="2.4 kg damsons" />
      <button type="button" {...shortcutTarget('remedy')} onClick={onTest}>
        Do it
      </button>
      <output>{undone}</output>
    </>
  );
}

test('no two shortcuts that work at the same time have the same keys', () => {
  const pages = new Map(shortcutsByPage());
  const everywhere = pages.get('everywhere') ?? [];
  for (const page of ['balance', 'boil'] as const) {
    const keys = [...everywhere, ...(pages.get(page) ?? [])].map(shortcutKeys);
    expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
  }
});

test('Alt and a letter go to the field, with what is in it selected', async () => {
  const { user } = show(<Page onTest={jest.fn()} />);
  await user.keyboard('{Alt>}l{/Alt}');
  const field = screen.getByLabelText<HTMLInputElement>('line');
  expect(document.activeElement).toBe(field);
  expect(field.selectionEnd).toBe('2.4 kg damsons'.length);
});

test('a button that is marked is pressed; a single letter does what the page says', async () => {
  const onTest = jest.fn();
  const { user } = show(<Page onTest={onTest} />);
  await user.keyboard('{Alt>}r{/Alt}');
  await user.keyboard('t');
  expect(onTest).toHaveBeenCalledTimes(2);
});

test('a single letter, and undo, never while something is typed', async () => {
  const onTest = jest.fn();
  const { user } = show(<Page onTest={onTest} />);
  await user.click(screen.getByLabelText('line'));
  await user.keyboard('t{Control>}z{/Control}');
  expect(onTest).not.toHaveBeenCalled();
  expect(screen.getByRole('status').textContent).toBe('0');
});

test('what cannot be done leaves the key alone; what can is done', async () => {
  const { user, unmount } = show(<Page onTest={jest.fn()} canUndo={false} />);
  await user.keyboard('{Control>}z{/Control}');
  expect(screen.getByRole('status').textContent).toBe('0');
  unmount();
  const again = show(<Page onTest={jest.fn()} />);
  await again.user.keyboard('{Control>}z{/Control}');
  expect(screen.getByRole('status').textContent).toBe('1');
});
