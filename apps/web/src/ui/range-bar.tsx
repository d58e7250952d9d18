import type { ReactNode } from 'react';
import type { Range } from '@idle-kettle/core';

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
}

const TONE_TEXT: Readonly<Record<Tone, string>> = {
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
}: RangeBarProps) {
  return (
    <section aria-label={spoken} className="border-b border-line py-2.5">
      <div className="flex justify-between gap-3 text-sm text-soft">
        <h3 className="font-sans font-normal">{name}</h3>
        <span>{note}</span>
      </div>
      <div className="mt-0.5 flex items-baseline justify-between gap-3">
        <span className={`display text-[23px] leading-tight ${TONE_TEXT[tone]}`}>{word}</span>
        <span className="text-right font-semibold">{figures}</span>
      </div>
      {range && (
        <RangeTrack range={range} scale={scale} wanted={wanted} tone={tone} tick={range.mid} />
      )}
      {reason !== undefined && reason !== '' && (
        <div className="mt-1.5 text-sm leading-snug text-soft">{reason}</div>
      )}
    </section>
  );
}

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
  const at = (value: number): number =>
    Math.min(Math.max((value - scale[0]) / (scale[1] - scale[0] || 1), 0), 1) * 100;
  return (
    <div aria-hidden="true" className="relative mt-2 h-2.5 rounded-full bg-base-300">
      {wanted && (
        <div
          className="absolute inset-y-0 rounded-full"
          style={{
            background: 'var(--wanted)',
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
