import { useId, useState } from 'react';
import { toast } from 'sonner';
import { readScaleTarget, scaleFormula, type ScaleResult } from '@idle-kettle/core';
import type { FormulaBody, FormulaLineBody } from '@idle-kettle/contract';
import { useBatch } from '../../batch/batch-context.js';
import { usePreferences } from '../../ui/preferences.js';
import { sentence } from '../../ui/sentence.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { shortcutTarget } from '../../ui/shortcuts.js';

/**
 * Scales the whole formula to what there is or what is wanted: jars, fruit, pan. Shown before it is
 * done.
 */
export function MakeItFit() {
  const { document, change, problems } = useBatch();
  const { kitchen } = usePreferences();
  const [text, setText] = useState('');
  const noteId = useId();
  if (document.lines.length === 0) return null;
  const reading = text.trim() === '' ? undefined : readScaleTarget(text, document);
  const result: ScaleResult | undefined =
    reading?.ok === true ? scaleFormula(document, reading.target, kitchen) : undefined;
  const refused = [reading, result].find((each) => each?.ok === false);
  const wrong = refused?.ok === false ? refused.message : undefined;
  const fit = ({ document: scaled, factor }: ScaleResult & { ok: true }): void => {
    let before = document;
    change('', (current) => {
      before = current;
      // A line typed since this was shown is scaled too.
      const again =
        reading?.ok === true && current !== document
          ? scaleFormula(current, reading.target, kitchen)
          : undefined;
      return (again?.ok === true ? again.document : scaled) as FormulaBody;
    });
    setText('');
    toast(`Everything × ${factor.toFixed(2)}`, {
      action: { label: 'Undo', onClick: () => change('', () => before) },
      duration: 8000,
    });
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (result?.ok) fit(result);
      }}
    >
      <label className="flex min-w-0 flex-1 items-center gap-2 text-sm whitespace-nowrap text-soft sm:flex-none">
        Make it fit
        <input
          className="input min-w-0 flex-1 text-base-content sm:w-80"
          {...shortcutTarget('fit')}
          placeholder="12 half-pints, all 3.1 kg, my 8 litre pan"
          value={text}
          maxLength={80}
          aria-invalid={wrong !== undefined}
          aria-describedby={noteId}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button type="submit" className="btn" disabled={!result?.ok || problems.length > 0}>
        {result?.ok ? `Everything × ${result.factor.toFixed(2)}` : 'Scale'}
      </button>
      <div
        id={noteId}
        role="status"
        className={`w-full text-sm ${wrong === undefined ? 'text-soft' : 'text-watch'}`}
      >
        {wrong !== undefined && sentence(wrong)}
        {result?.ok && (
          <>
            {result.document.lines
              .slice(0, 4)
              .map(
                (line) =>
                  `${(line as FormulaLineBody).amount} ${nameOfLine(line as FormulaLineBody)}`,
              )
              .join(', ')}
            {result.document.lines.length > 4 && ' …'}. {result.notes.map(sentence).join(' ')}
          </>
        )}
      </div>
    </form>
  );
}
