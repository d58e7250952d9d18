import { useState } from 'react';
import { fillVolume_ml, HOUR_MS, type Asked } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { spanWords } from '../../ui/length-words.js';
import { useFormats } from '../../ui/preferences.js';
import { useAsked } from './use-watched.js';
import * as dates from '../../ui/dates.js';

/** Times that are asked for, hours ahead. */
const AHEAD_H = [1, 2, 4, 8] as const;

/**
 * Two questions of a long cook, one tap each: how long until so many jars, and what is left at a time.
 */
export function AskAhead() {
  const { formula, balance } = useBatch();
  const now = useBatchNow();
  const [asked, setAsked] = useState<Asked & { readonly words: string }>();
  const [first] = formula.jars;
  if (!balance || !first) return null;
  const fill_ml = fillVolume_ml(first.jar, first.headspace_mm);
  const most = Math.floor((balance.massIn_kg.mid * 1000) / fill_ml);
  const likely = Math.max(Math.round(balance.jars[0]?.count.mid ?? 1), 1);
  const counts = [...new Set([likely - 1, likely, likely + 1, likely + 2])].filter(
    (count) => count > 0 && count <= most,
  );
  const isAsked = (words: string): boolean => asked?.words === words;
  return (
    <section aria-label="Ask ahead" className="panel p-3">
      <h2 className="text-xl">How long, and how much?</h2>
      <div className="flex flex-wrap items-center gap-2 pt-1">
        <span className="text-soft">until</span>
        {counts.map((count) => {
          const words = jarsOf(String(count), first.size, count);
          return (
            <button
              key={words}
              type="button"
              aria-pressed={isAsked(words)}
              className={`btn h-14 text-lg ${isAsked(words) ? 'btn-secondary' : ''}`}
              onClick={() => setAsked({ words, untilVolume_ml: count * fill_ml })}
            >
              {words}
            </button>
          );
        })}
      </div>
      <div className="flex flex-wrap items-center gap-2 pt-2">
        <span className="text-soft">left at</span>
        {AHEAD_H.map((hours) => {
          // On the whole hour, as people look at the clock.
          const at = Math.round((now + hours * HOUR_MS) / HOUR_MS) * HOUR_MS;
          const words = dates.time(at);
          return (
            <button
              key={hours}
              type="button"
              aria-pressed={isAsked(words)}
              className={`btn h-14 text-lg ${isAsked(words) ? 'btn-secondary' : ''}`}
              onClick={() => setAsked({ words, leftAt: at })}
            >
              {words}
            </button>
          );
        })}
      </div>
      {asked && <Answer asked={asked} fill_ml={fill_ml} size={first.size} />}
    </section>
  );
}

interface AnswerProps {
  readonly asked: Asked & { readonly words: string };
  readonly fill_ml: number;
  readonly size: string;
}

function Answer({ asked, fill_ml, size }: AnswerProps) {
  const formats = useFormats();
  const watched = useAsked(asked);
  if (!watched) return <p className="pt-2 text-soft">Working it out…</p>;
  const { left_s } = watched.forecast;
  const then = watched.leftThen_kg;
  // A purée is near a kilogram a litre; jars are told to the half.
  const jars = (mass_kg: number): string =>
    String(Math.round(((mass_kg * 1000) / (fill_ml * PUREE_KG_PER_L)) * 2) / 2);
  return (
    <p role="status" className="display pt-2 text-[22px]">
      {then
        ? `At ${asked.words}: ${formats.mass(then.low)} to ${formats.mass(then.high)}, ${jars(then.low)} to ${jarsOf(jars(then.high), size)}`
        : `Until ${asked.words}: ${spanWords(left_s.low / 60, left_s.high / 60)}`}
    </p>
  );
}

/** Density of a hot butter, kg a litre. Common practice. */
const PUREE_KG_PER_L = 1.06;
