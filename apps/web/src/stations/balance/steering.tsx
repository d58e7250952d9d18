import { useState } from 'react';
import {
  firmnessSaid,
  firmnessWord,
  preparePot,
  sharpnessWord,
  steer,
  STEERED,
  steeredValue,
  type Steered,
} from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { useBatch } from '../../batch/batch-context.js';
import { usePreferences } from '../../ui/preferences.js';

const WORDS: Readonly<
  Record<
    Steered,
    { name: string; from: string; to: string; step: number; said: (value: number) => string }
  >
> = {
  sharpness: {
    name: 'Acidity',
    from: 'mild',
    to: 'sharp',
    step: 0.02,
    said: (pH) => `${sharpnessWord(pH)}, pH ${pH.toFixed(1)}`,
  },
  sweetness: {
    name: 'Sweetness',
    from: 'less',
    to: 'more',
    step: 0.02,
    said: (ratio) => `${ratio.toFixed(2)} sugar to 1 fruit`,
  },
  firmness: {
    name: 'Firmness',
    from: 'soft',
    to: 'firm',
    step: 0.02,
    said: (firmness) => firmnessSaid(firmnessWord(firmness)),
  },
};

/** Three sliders that solve for the lines: lemon, sugar, and where it is stopped. */
export function Steering() {
  const { document, formula, problems, change } = useBatch();
  const { kitchen: place, units } = usePreferences();
  // While a slider is held it shows where the hand is, and the formula it started from is what is
  // solved.
  const [held, setHeld] = useState<{ what: Steered; value: number; from: FormulaBody }>();
  const pot = preparePot(formula);
  if (!pot || problems.length > 0 || document.lines.length === 0) return null;
  const move = (what: Steered, value: number): void => {
    // This panel is drawn a moment after the lines: what is steered is the formula as it is now.
    change(`steer ${what}`, (current) => {
      const from = held?.what === what ? held.from : current;
      setHeld({ what, value, from });
      return (steer(from, what, value, { kitchen: place, units }) ?? current) as FormulaBody;
    });
  };
  return (
    <section aria-label="Steer it" className="panel p-4">
      <h2 className="text-xl">Steer it</h2>
      {(Object.keys(STEERED) as Steered[]).map((what) => {
        const now = steeredValue(pot, what);
        if (now === undefined) return null;
        const { least, most } = STEERED[what];
        const { name, from, to, step, said } = WORDS[what];
        const value = held?.what === what ? held.value : Math.min(Math.max(now, least), most);
        // Sharper is to the right, though its pH is lower.
        const turned = what === 'sharpness';
        return (
          <label key={what} className="mt-3 block">
            <span className="flex justify-between gap-3 text-sm text-soft">
              <span>{name}</span>
              <span>{said(now)}</span>
            </span>
            <input
              type="range"
              aria-label={name}
              aria-valuetext={said(now)}
              className="h-11 w-full cursor-pointer accent-primary"
              min={least}
              max={most}
              step={step}
              value={turned ? least + most - value : value}
              onChange={(event) => {
                const at = event.target.valueAsNumber;
                move(what, turned ? least + most - at : at);
              }}
              onPointerUp={() => setHeld(undefined)}
              onKeyUp={() => setHeld(undefined)}
              onBlur={() => setHeld(undefined)}
            />
            <span aria-hidden="true" className="flex justify-between text-xs text-soft">
              <span>{from}</span>
              <span>{to}</span>
            </span>
          </label>
        );
      })}
    </section>
  );
}
