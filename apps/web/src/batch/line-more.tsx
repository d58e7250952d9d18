import { useState } from 'react';
import type { FormulaBody, FormulaLineBody } from '@idle-kettle/contract';
import {
  effectOfChange,
  isProduce,
  knownForms,
  readName,
  RIPENESS,
  swapped,
  type Form,
  type Ingredient,
  type Ripeness,
} from '@idle-kettle/core';
import { useBatch } from './batch-context.js';
import { usePreferences } from '../ui/preferences.js';
import { sentence } from '../ui/sentence.js';
import { moveLine } from './line-edit.js';

/** What can be measured, its unit and its range. */
const MEASURED = [
  { key: 'solubleSolidsPercent', label: 'Brix, %', min: 0, max: 100 },
  { key: 'pH', label: 'pH', min: 1.5, max: 9 },
  { key: 'titratableAcidityPercent', label: 'acid, %', min: 0, max: 100 },
] as const;

interface LineMoreProps {
  readonly line: FormulaLineBody;
  readonly ingredient: Ingredient;
  readonly onChange: (line: FormulaLineBody) => void;
  readonly index: number;
  /** On the table, where the order in the pot says nothing. */
  readonly onTable?: boolean;
}

/** What is known of one ingredient beyond its amount: form, ripeness, and what was measured. */
export function LineMore({ line, ingredient, index, onTable = false, onChange }: LineMoreProps) {
  const { overrides = {}, form, ripeness, ...kept } = line;
  const build = (next: {
    form?: Form | undefined;
    ripeness?: Ripeness | undefined;
    overrides?: object;
  }): void =>
    onChange({
      ...kept,
      ...(next.form !== undefined && next.form !== ingredient.usualForm && { form: next.form }),
      ...(next.ripeness !== undefined && next.ripeness !== 'ripe' && { ripeness: next.ripeness }),
      ...(next.overrides &&
        Object.keys(next.overrides).length > 0 && { overrides: next.overrides }),
    });
  const now = { form, ripeness, overrides };
  const isFruit = isProduce(ingredient);
  return (
    <div className="flex flex-wrap items-end gap-3 px-2 pt-1 pb-3">
      <label className="flex flex-col gap-1 text-sm text-soft">
        form
        <select
          className="select w-36 text-base-content"
          value={form ?? ingredient.usualForm}
          onChange={(event) => build({ ...now, form: event.target.value as Form })}
        >
          {knownForms(ingredient).map((each) => (
            <option key={each} value={each}>
              {each}
            </option>
          ))}
        </select>
      </label>
      {isFruit && (
        <label className="flex flex-col gap-1 text-sm text-soft">
          ripeness
          <select
            className="select w-32 text-base-content"
            value={ripeness ?? 'ripe'}
            onChange={(event) => build({ ...now, ripeness: event.target.value as Ripeness })}
          >
            {RIPENESS.map((each) => (
              <option key={each} value={each}>
                {each === 'mixed' ? 'some under-ripe' : each}
              </option>
            ))}
          </select>
        </label>
      )}
      {isFruit && (
        <label className="flex flex-col gap-1 text-sm text-soft">
          variety
          <input
            className="input w-36 text-base-content"
            value={line.variety ?? ''}
            maxLength={60}
            onChange={(event) => {
              const { variety: _, ...rest } = line;
              onChange(event.target.value === '' ? rest : { ...rest, variety: event.target.value });
            }}
          />
        </label>
      )}
      {MEASURED.map(({ key, label, min, max }) => (
        <label key={key} className="flex flex-col gap-1 text-sm text-soft">
          {label}
          <input
            type="number"
            inputMode="decimal"
            step="any"
            min={min}
            max={max}
            placeholder="table"
            className="input w-24 text-base-content"
            value={overrides[key] ?? ''}
            onChange={(event) => {
              const { [key]: _, ...others } = overrides;
              const value = event.target.valueAsNumber;
              build({
                ...now,
                overrides: Number.isFinite(value) ? { ...others, [key]: value } : others,
              });
            }}
          />
        </label>
      ))}
      <Swap index={index} />
      {!onTable && <Move index={index} />}
      <p className="w-full text-sm text-soft">
        What you measure counts for set and yield. For storage it can only make the advice stricter.
      </p>
    </div>
  );
}

/** Another ingredient in its place, with what that does before it is done. */
function Swap({ index }: { readonly index: number }) {
  const { document, change } = useBatch();
  const { kitchen: place } = usePreferences();
  const [text, setText] = useState('');
  const reading = text.trim() === '' ? undefined : readName(text);
  const next = reading?.ok === true ? swapped(document, index, reading.ingredient.id) : undefined;
  const effect = next && effectOfChange(document, next, { kitchen: place });
  return (
    <form
      className="flex w-full flex-wrap items-end gap-x-3 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (!next) return;
        const { id } = (reading?.ok === true && reading.ingredient) || {};
        // The formula as it is now, not as it was when this was drawn.
        change(
          '',
          (current) =>
            ((id !== undefined && swapped(current, index, id)) || current) as FormulaBody,
        );
        setText('');
      }}
    >
      <label className="flex flex-col gap-1 text-sm text-soft">
        swap for
        <input
          className="input w-44 text-base-content"
          list="ingredients"
          placeholder="another fruit"
          value={text}
          maxLength={80}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button type="submit" className="btn" disabled={!next}>
        Swap
      </button>
      <p role="status" className="min-h-[44px] flex-1 content-center text-sm text-soft">
        {effect !== undefined && (effect === '' ? 'Nothing much changes.' : `${effect}.`)}
        {reading?.ok === false && sentence(reading.message)}
      </p>
    </form>
  );
}

/** Up or down the list; the order is the person's own. */
function Move({ index }: { readonly index: number }) {
  const { document, change } = useBatch();
  const move = (by: -1 | 1): void => change('', moveLine(index, index + by));
  return (
    <div className="flex gap-2">
      <button type="button" className="btn" disabled={index === 0} onClick={() => move(-1)}>
        Move up
      </button>
      <button
        type="button"
        className="btn"
        disabled={index >= document.lines.length - 1}
        onClick={() => move(1)}
      >
        Move down
      </button>
    </div>
  );
}
