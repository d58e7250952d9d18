import { useEffect, useRef, useState } from 'react';
import { INGREDIENTS } from '@idle-kettle/core';
import { useBatch } from './batch-context.js';
import { addLine } from './line-edit.js';
import { shortcutTarget } from '../ui/shortcuts.js';

/** One line typed as a cook writes it: amount, unit, name. */
export function NewLine() {
  const { change, document } = useBatch();
  const [text, setText] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const empty = document.lines.length === 0;
  useEffect(() => {
    // On a phone it would raise the keyboard over everything else.
    if (empty && window.matchMedia('(pointer: fine)').matches) input.current?.focus();
  }, [empty]);
  return (
    <form
      className="flex gap-2 pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        change('', addLine(text));
        setText('');
        input.current?.focus();
      }}
    >
      <input
        ref={input}
        {...shortcutTarget('line')}
        aria-label="New line: amount and ingredient"
        className="quiet-input min-w-0 border-dashed !border-line"
        placeholder="Type “2.4 kg damsons, pitted” and Enter"
        value={text}
        maxLength={200}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn btn-secondary" disabled={text.trim() === ''}>
        Add
      </button>
      <datalist id="ingredients">
        {INGREDIENTS.map((ingredient) => (
          <option key={ingredient.id} value={ingredient.name[1]} />
        ))}
      </datalist>
    </form>
  );
}
