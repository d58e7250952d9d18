import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Range } from '@idle-kettle/core';
import { termOf } from './glossary.js';

export type Tone = 'plain' | 'good' | 'watch' | 'bad';

interface RangeBarProps {
  /** What it is: "Solids". */
  readonly name: string;
  /** Small words at the right of the name, such as the unit. */
  readonly note?: string;
  /** The readout in a word. */
  readonly word: string;
  /** The figures of the range. */
  readonly figures: ReactNode;
  readonly tone?: Tone;
  /** Absent when there is nothing to draw. */
  readonly range?: Range;
  /** The ends of the track. */
  readonly scale?: readonly [number, number];
  /** The zone where one wants to be. */
  readonly wanted?: readonly [number, number];
  /** Why, in small print under the bar. */
  readonly reason?: ReactNode;
  /** The sentence a screen reader hears. */
  readonly spoken: string;
  /** What it means, worked out when it is asked for. */
  readonly explain?: () => Explanation;
}

/** A readout explained where it stands. */
export interface Explanation {
  readonly means: string;
  /** Ticks of its scale, with words. */
  readonly marks: readonly { readonly at: number; readonly words: string }[];
  readonly workedOut: string;
  readonly source: string;
  /** What would change or narrow it most. */
  readonly change: string;
  /** Terms of the glossary that go with it. */
  readonly terms: readonly string[];
}

export const TONE_TEXT: Readonly<Record<Tone, string>> = {
  plain: '',
  good: 'text-good',
  watch: 'text-watch',
  bad: 'text-bad',
};
const TONE_BAND: Readonly<Record<Tone, string>> = {
  plain: 'var(--fruit)',
  good: 'var(--good-ink)',
  watch: 'var(--watch-ink)',
  bad: 'var(--bad-ink)',
};

/**
 * An estimate, always drawn the same way: a word, its figures, and a bar with the zone wanted, the
 * range and its middle.
 */
export function RangeBar({
  name,
  note,
  word,
  figures,
  tone = 'plain',
  range,
  scale = [0, 1],
  wanted,
  reason,
  spoken,
  explain,
}: RangeBarProps) {
  const [isExplained, setExplained] = useState(false);
  return (
    <section aria-label={spoken} className="border-b border-line py-2.5">
      <div className="flex justify-between gap-3 text-sm text-soft">
        <h3 className="font-sans font-normal">
          {explain ? (
            <button
              type="button"
              aria-expanded={isExplained}
              className="-my-3 min-h-[44px] cursor-help underline decoration-dotted underline-offset-4"
              onClick={() => setExplained(!isExplained)}
            >
              {name}
            </button>
          ) : (
            name
          )}
        </h3>
        <span>{note}</span>
      </div>
      <div className="mt-0.5 flex items-baseline justify-between gap-3">
        <span className={`display text-[23px] leading-tight ${TONE_TEXT[tone]}`}>{word}</span>
        <span className="text-right font-semibold">{figures}</span>
      </div>
      {range && (
        <RangeTrack range={range} scale={scale} wanted={wanted} tone={tone} tick={range.mid} />
      )}
      {isExplained && explain && <Explained explanation={explain()} scale={scale} />}
      {reason !== undefined && reason !== '' && (
        <div className="mt-1.5 text-sm leading-snug text-soft">{reason}</div>
      )}
    </section>
  );
}

function Explained({
  explanation: { means, marks, workedOut, source, change, terms },
  scale,
}: {
  readonly explanation: Explanation;
  readonly scale: readonly [number, number];
}) {
  return (
    <div className="mt-1 text-sm leading-snug">
      {marks.length > 0 && (
        <div aria-hidden="true" className="relative mb-1 h-8 text-[13px] text-soft">
          {marks.map(({ at, words }) => (
            <span
              key={words}
              className="absolute top-0 border-l border-current pl-1"
              style={{ left: `${shareOf(at, scale)}%` }}
            >
              {words}
            </span>
          ))}
        </div>
      )}
      <p>{means}</p>
      <p className="mt-1.5">
        <strong>How it was worked out:</strong> {workedOut}
      </p>
      <p className="mt-1.5">
        <strong>What would change it most:</strong> {change}
      </p>
      <p className="mt-1.5 text-soft">Source: {source}</p>
      <p className="flex flex-wrap gap-x-3">
        {terms.map((id) => (
          <Link
            key={id}
            to={`/glossary#${id}`}
            className="flex min-h-[44px] items-center underline"
          >
            {termOf(id).term}
          </Link>
        ))}
      </p>
    </div>
  );
}

/** Where a value stands on a track, per cent of its length. */
const shareOf = (value: number, scale: readonly [number, number]): number =>
  Math.min(Math.max((value - scale[0]) / (scale[1] - scale[0] || 1), 0), 1) * 100;

interface RangeTrackProps {
  readonly range: Range;
  readonly scale: readonly [number, number];
  readonly wanted?: readonly [number, number] | undefined;
  readonly tone?: Tone;
  /** Where the tick stands: the middle, or what came. */
  readonly tick: number;
}

/** The track alone, with its zone, band and tick. Its words stand beside it. */
export function RangeTrack({ range, scale, wanted, tone = 'plain', tick }: RangeTrackProps) {
  const at = (value: number): number => shareOf(value, scale);
  return (
    <div aria-hidden="true" className="relative mt-2 h-2.5 rounded-full bg-base-300">
      {wanted && (
        <div
          className="absolute -inset-y-[2px] rounded-full border-2"
          style={{
            background: 'var(--wanted)',
            borderColor: 'var(--wanted-line)',
            left: `${at(wanted[0])}%`,
            right: `${100 - at(wanted[1])}%`,
          }}
        />
      )}
      <div
        className="absolute inset-y-[2px] min-w-1 rounded-full"
        style={{
          background: TONE_BAND[tone],
          left: `${at(range.low)}%`,
          right: `${100 - at(range.high)}%`,
        }}
      />
      <div
        className="absolute -top-1 h-4 w-[3px] -translate-x-1/2 rounded bg-base-content"
        style={{ left: `${at(tick)}%` }}
      />
    </div>
  );
}
