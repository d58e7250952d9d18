import { setSingleKeys, useSingleKeys } from '../../ui/shortcuts.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { setTheme, useTheme } from '../../ui/theme.js';
import { ShortcutList } from '../../ui/shortcut-list.js';
import { Section } from './section.js';

/** How this browser looks and listens: the theme, and the keys. */
export function KeysAndTheme() {
  const theme = useTheme();
  const hasSingleKeys = useSingleKeys();
  return (
    <>
      <Section title="Theme" lead="For this browser. Night is easier on the eyes at the stove.">
        <RadioButtons
          name="Theme"
          options={[
            ['day', 'Day'],
            ['night', 'Night'],
          ]}
          value={theme}
          className="mt-3"
          onChange={setTheme}
        />
      </Section>
      <Section
        title="Keys"
        lead="Single letters do something at the stove. Switch them off if you speak to your computer, or press keys by mistake."
      >
        <label className="my-2 flex min-h-[44px] items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={hasSingleKeys}
            onChange={(event) => setSingleKeys(event.target.checked)}
          />
          Single keys
        </label>
        <ShortcutList />
      </Section>
    </>
  );
}
