import { useState } from 'react';
import { firstFilledAt, ingredientById, lineFromText } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { Row } from './entry-row.js';
import { Omissions } from './omissions.js';

interface AdditionRowProps {
  /** @param planned it is a part of what the formula has, where that was asked */
  readonly onAddition: (text: string, planned: boolean | undefined) => void;
  readonly onLeftOut: (ingredient: string, line: number) => void;
}

/** The sweetener of the formula that a text names, if it does. */
function usePlannedSweetener(text: string): string | undefined {
  const { document } = useBatch();
  if (text.trim() === '') return undefined;
  const { ingredient = '' } = lineFromText(text, document);
  if (ingredientById(ingredient)?.category !== 'sweetener') return undefined;
  const line = document.lines.find((each) => each.ingredient === ingredient);
  return line && nameOfLine(line);
}

/**
 * What went in. Sugar that the formula has too is asked about, so that it is not counted twice: a
 * part of what was planned, or more.
 */
export function AdditionRow({ onAddition, onLeftOut }: AdditionRowProps) {
  const [text, setText] = useState('');
  const sweetener = usePlannedSweetener(text);
  const isFilled = firstFilledAt(useBatch().boil) !== undefined;
  const isTyped = text.trim() !== '';
  const log = (planned?: boolean): void => {
    if (isTyped) onAddition(text.trim(), planned);
  };
  return (
    <Row
      title="I added…"
      hint="What went in, as you would write it. It changes what comes out, so it belongs in the log."
    >
      <form
        className="flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (sweetener === undefined) log();
        }}
      >
        <input
          aria-label="I added…"
          className="input min-w-0 flex-1 text-lg"
          placeholder="1 tbsp lemon juice"
          value={text}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
        />
        {sweetener === undefined ? (
          <button type="submit" className="btn btn-secondary" disabled={!isTyped}>
            Log
          </button>
        ) : (
          <div className="flex w-full flex-wrap items-center gap-2">
            <span>The formula has {sweetener}. Is this</span>
            <button type="button" className="btn btn-secondary" onClick={() => log(true)}>
              part of it
            </button>
            <button type="button" className="btn" onClick={() => log(false)}>
              more than it
            </button>
          </div>
        )}
      </form>
      {isFilled && (
        <p className="mt-2 text-sm text-soft">
          Jars are filled: what you log now is taken with its time. It can make the storage
          stricter, never kinder.
        </p>
      )}
      <Omissions onLeftOut={onLeftOut} />
    </Row>
  );
}
