import type { Attention, Schedule, Timed } from '@idle-kettle/core';
import { capital } from '../../ui/sentence.js';
import { lengthWords } from '../../ui/length-words.js';
import { MINUTE_MS, HOUR_MS } from '@idle-kettle/core';
import * as dates from '../../ui/dates.js';

const WIDTH = 780;
const ROW = 30;

export const ATTENTION_WORDS: Readonly<Record<Attention, string>> = {
  'hands-on': 'hands-on',
  'hands-off': 'unattended',
  'needs-watching': 'needs watching',
  'cannot-leave': 'hands-on, no break',
};
const FILLS: Readonly<Record<Attention, { fill: string; opacity: number }>> = {
  'hands-on': { fill: 'var(--fruit)', opacity: 1 },
  'hands-off': { fill: 'var(--fruit)', opacity: 0.28 },
  'needs-watching': { fill: 'var(--color-secondary)', opacity: 0.45 },
  'cannot-leave': { fill: 'var(--color-secondary)', opacity: 1 },
};
const ROWS: readonly Attention[] = ['cannot-leave', 'hands-on', 'needs-watching', 'hands-off'];

/**
 * The hours of the work drawn as rows: hands-on without a break, hands-on, needs watching, unattended. Cooling is beyond it.
 */
export function PlanStrip({ plan, now }: { readonly plan: Schedule; readonly now: number }) {
  const lift = plan.steps.find(({ code }) => code === 'lift');
  const shown = plan.steps.filter(({ start }) => lift && start < lift.end);
  const rows = ROWS.filter((attention) => shown.some((step) => step.attention === attention));
  const height = ROW * rows.length;
  const from = Math.min(plan.begins, ...shown.map(({ start }) => start));
  const until = Math.max(lift?.end ?? from, from + HOUR_MS);
  const x = (at: number): number =>
    ((Math.min(Math.max(at, from), until) - from) / (until - from)) * WIDTH;
  const every =
    [0.5, 1, 2, 4, 6, 12].find((hours) => (until - from) / (hours * HOUR_MS) <= 8) ?? 24;
  const firstTick = Math.ceil(from / (every * HOUR_MS)) * every * HOUR_MS;
  const ticks = Array.from({ length: 12 }, (_, i) => firstTick + i * every * HOUR_MS).filter(
    (at) => at <= until,
  );
  return (
    <figure>
      <svg
        role="img"
        aria-label={`From ${dates.time(from)} to ${dates.time(until)}: ${rows.map((attention) => `${ATTENTION_WORDS[attention]} ${lengthWords(minutes(shown, attention))}`).join(', ')}`}
        viewBox={`0 0 ${WIDTH} ${height + 26}`}
        className="w-full"
      >
        {rows.map((attention, row) => (
          <g key={attention}>
            <rect
              x="0"
              y={row * ROW + 4}
              width={WIDTH}
              height={ROW - 8}
              rx="6"
              fill="var(--color-base-300)"
              opacity="0.6"
            />
            {shown
              .filter((step) => step.attention === attention)
              .map((step) => (
                <rect
                  key={step.code}
                  x={x(step.start)}
                  y={row * ROW + 4}
                  width={Math.max(x(step.end) - x(step.start) - 1.5, 3)}
                  height={ROW - 8}
                  rx="5"
                  {...FILLS[attention]}
                  fillOpacity={step.doneAt === undefined ? FILLS[attention].opacity : 0.15}
                >
                  <title>{`${dates.time(step.start)} ${capital(step.text)}`}</title>
                </rect>
              ))}
          </g>
        ))}
        {ticks.map((at) => (
          <g key={at}>
            <line x1={x(at)} x2={x(at)} y1="0" y2={height} stroke="var(--line)" />
            <text
              x={Math.min(Math.max(x(at), 18), WIDTH - 18)}
              y={height + 19}
              textAnchor="middle"
              fontSize="14"
              className="hidden md:block"
              fill="var(--soft)"
            >
              {dates.time(at)}
            </text>
          </g>
        ))}
        {now > from && now < until && (
          <line
            x1={x(now)}
            x2={x(now)}
            y1="0"
            y2={height}
            stroke="currentColor"
            strokeWidth="2.5"
            strokeDasharray="5 4"
          />
        )}
      </svg>
      {/* Drawn as small as a phone the hours could not be read. */}
      <div aria-hidden="true" className="flex justify-between text-sm text-soft md:hidden">
        {[from, (from + until) / 2, until].map((at) => (
          <span key={at}>{dates.time(at)}</span>
        ))}
      </div>
      <figcaption className="mt-1 flex flex-wrap gap-x-4 text-sm text-soft">
        {rows.map((attention) => (
          <span key={attention} className="flex items-center gap-1.5">
            <svg aria-hidden="true" viewBox="0 0 14 14" className="size-3.5">
              <rect
                width="14"
                height="14"
                rx="4"
                fill={FILLS[attention].fill}
                fillOpacity={FILLS[attention].opacity}
              />
            </svg>
            {ATTENTION_WORDS[attention]}, {lengthWords(minutes(shown, attention))}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}

const minutes = (steps: readonly Timed[], attention: Attention): number =>
  Math.round(
    steps
      .filter((step) => step.attention === attention)
      .reduce((sum, { start, end }) => sum + end - start, 0) / MINUTE_MS,
  );
