import { useState } from 'react';
import { findJar, jarWords, scaleFormula } from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { useBatch } from '../../batch/batch-context.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { usePreferences } from '../../ui/preferences.js';

/** Jars dragged more or fewer: the whole formula follows, one step of undo for one drag. */
export function JarSlider() {
  const { document, balance, problems, change } = useBatch();
  const { kitchen } = usePreferences();
  const [held, setHeld] = useState<{ value: number; from: FormulaBody }>();
  const [only, ...others] = document.jars;
  const jar = findJar(only?.size ?? '');
  const count = balance?.jars[0]?.count.mid ?? 0;
  if (!jar || others.length > 0 || problems.length > 0 || !(count > 0.3)) return null;
  const now = Math.max(Math.round(count), 1);
  const value = held?.value ?? now;
  const drag = (next: number): void => {
    // The formula as it is now, not as it was when this was drawn.
    change('jars dragged', (current) => {
      const from = held?.from ?? current;
      setHeld({ value: next, from });
      const scaled = scaleFormula(from, { by: 'jars', count: next, jar }, kitchen);
      return scaled.ok ? (scaled.document as FormulaBody) : current;
    });
  };
  const letGo = (): void => setHeld(undefined);
  return (
    <label className="mb-3 block">
      <span className="flex justify-between gap-3 text-sm text-soft">
        <span>drag to more or fewer</span>
        <span>{jarsOf(jarWords(count), jar.id)}</span>
      </span>
      <input
        type="range"
        aria-label="Jars wanted"
        aria-valuetext={jarsOf(`${value}`, jar.id)}
        className="h-11 w-full cursor-pointer accent-primary"
        min={1}
        max={Math.max(24, now * 2)}
        step={1}
        value={value}
        onChange={(event) => drag(event.target.valueAsNumber)}
        onPointerUp={letGo}
        onKeyUp={letGo}
        onBlur={letGo}
      />
    </label>
  );
}
