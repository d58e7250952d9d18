import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { INGREDIENTS, type PotLine } from '@idle-kettle/core';
import { useFormats, usePreferences } from '../ui/preferences.js';
import { shortcutTarget } from '../ui/shortcuts.js';
import { useBatch } from './batch-context.js';
import { addLine } from './line-edit.js';
import { missingOf, typedLine } from './line-suggestions.js';

/** One line typed as a cook writes it: amount, unit, name; how it reads shows before it is added. */
export function NewLine() {
  const { change, document, formula } = useBatch();
  const { kitchen, units } = usePreferences();
  const [text, setText] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const asked = useDeferredValue(text);
  const { read, completions } = useMemo(
    () => typedLine(asked, document, kitchen),
    [asked, document, kitchen],
  );
  const empty = document.lines.length === 0;
  useEffect(() => {
    // On a phone it would raise the keyboard over everything else.
    if (empty && window.matchMedia('(pointer: fine)').matches) input.current?.focus();
  }, [empty]);
  const missing = missingOf(formula);
  const fill = (completion: string): void => {
    setText(completion);
    input.current?.focus();
  };
  return (
    <form
      className="pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        change('', addLine(text));
        setText('');
        input.current?.focus();
      }}
    >
      <div className="flex gap-2">
        <input
          ref={input}
          {...shortcutTarget('line')}
          aria-label="New line: amount and ingredient"
          aria-describedby="new-line-read"
          className="quiet-input min-w-0 border-dashed !border-field"
          placeholder={
            units === 'us'
              ? 'Type “5 lb damsons, pitted” and Enter'
              : 'Type “2.4 kg damsons, pitted” and Enter'
          }
          value={text}
          maxLength={200}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="submit" className="btn btn-secondary" disabled={text.trim() === ''}>
          Add
        </button>
      </div>
      <div
        id="new-line-read"
        className="flex min-h-[30px] flex-wrap items-center gap-x-2 px-2 pt-1 text-sm text-soft"
      >
        {read && completions.length === 0 && <Reads line={read} />}
        {completions.map((completion) => (
          <button
            key={completion}
            type="button"
            className="min-h-[44px] cursor-pointer underline"
            onClick={() => fill(completion)}
          >
            {completion}
          </button>
        ))}
        {text === '' && !empty && missing.length > 0 && <>No {missing.join(', no ')} yet.</>}
      </div>
      <datalist id="ingredients">
        {INGREDIENTS.map((ingredient) => (
          <option key={ingredient.id} value={ingredient.name[1]} />
        ))}
      </datalist>
    </form>
  );
}

/** "Reads as 2.4 kg damsons, pitted (5 lb 5 oz)". */
function Reads({ line }: { readonly line: PotLine }) {
  const formats = useFormats();
  return (
    <span>
      Reads as{' '}
      <strong className="text-base-content">
        {formats.mass(line.mass_kg.mid)} {line.label}
      </strong>{' '}
      ({formats.otherMass(line.mass_kg.mid)})
    </span>
  );
}
