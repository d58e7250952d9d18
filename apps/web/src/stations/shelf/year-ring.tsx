import type { YearUseView } from '@idle-kettle/contract';
import { ingredientById, type YearAhead } from '@idle-kettle/core';
import { today } from '../../data/clock.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useTheme } from '../../ui/theme.js';
import {
  DAYS_A_YEAR,
  angleOf,
  angleOfDays,
  arcPath,
  CENTRE,
  MOST_RINGS,
  pointAt,
  radiusOf,
  seasonsOf,
} from './year-ring-shape.js';
import * as dates from '../../ui/dates.js';

const MONTH = (2 * Math.PI) / 12;
const RIM = radiusOf(-1);

interface YearRingProps {
  readonly rows: readonly (YearAhead & YearUseView)[];
  readonly southern: boolean;
  /** What stands in the middle: "5 batches", and what they take. */
  readonly middle: { readonly large: string; readonly small: string };
}

/** Days its jars last; none where there are none. */
const lastingDays = ({ left, lastsDays }: YearAhead & YearUseView): number =>
  left === 0 ? 0 : (lastsDays ?? 0);

/** The name of a ring, short enough for its end. */
const ringName = ({ fruit, title }: YearUseView): string =>
  ingredientById(fruit ?? '')?.name[0] ?? title;

/**
 * The year as a ring for each fruit: pale where the fruit is there, a line from today for as long as
 * the jars last. What it says stands in the list beside it.
 */
export function YearRing({ rows, southern, middle }: YearRingProps) {
  const theme = useTheme();
  const now = angleOf(today());
  // What lasts longest outside; what there is none of innermost.
  const rings = rows.toSorted((a, b) => lastingDays(b) - lastingDays(a)).slice(0, MOST_RINGS);
  const [handX, handY] = pointAt(now, RIM + 6);
  const [footX, footY] = pointAt(now, radiusOf(MOST_RINGS));
  const [todayX, todayY] = pointAt(now, RIM + 20);
  return (
    <svg
      aria-hidden="true"
      viewBox="0 0 640 640"
      className="h-auto max-h-[calc(100dvh-190px)] w-full max-w-[640px]"
    >
      <circle cx={CENTRE} cy={CENTRE} r={RIM} fill="none" stroke="var(--line)" />
      {Array.from({ length: 12 }, (_, i) => {
        const [x0, y0] = pointAt(i * MONTH, radiusOf(MOST_RINGS) + 8);
        const [x1, y1] = pointAt(i * MONTH, RIM);
        const [tx, ty] = pointAt((i + 0.5) * MONTH, RIM + 15);
        return (
          <g key={i}>
            <line x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--line)" opacity="0.6" />
            <text x={tx} y={ty + 5} textAnchor="middle" fontSize="15" fill="var(--soft)">
              {dates.shortMonthName(i + 1)}
            </text>
          </g>
        );
      })}
      {rings.map((row, i) => (
        <g key={row.batchId} style={fruitStyle(row.fruit, theme)} fill="none">
          {seasonsOf(row.fruit, southern).map(([first, months]) => (
            <path
              key={first}
              d={arcPath(first * MONTH, months * MONTH, radiusOf(i))}
              stroke="var(--fruit)"
              strokeWidth="17"
              opacity="0.28"
            />
          ))}
          <Lasts row={row} radius={radiusOf(i)} from={now} />
        </g>
      ))}
      <line
        x1={footX}
        y1={footY}
        x2={handX}
        y2={handY}
        stroke="var(--color-base-content)"
        strokeWidth="2.5"
      />
      <rect
        x={todayX - 27}
        y={todayY - 12}
        width="54"
        height="22"
        rx="6"
        fill="var(--color-base-200)"
      />
      <text
        x={todayX}
        y={todayY + 4}
        textAnchor="middle"
        fontSize="15"
        fontWeight="700"
        fill="var(--color-base-content)"
      >
        today
      </text>
      <text
        x={CENTRE}
        y={CENTRE - 4}
        textAnchor="middle"
        className="display"
        fontSize="27"
        fill="var(--color-base-content)"
      >
        {middle.large}
      </text>
      <text x={CENTRE} y={CENTRE + 18} textAnchor="middle" fontSize="13" fill="var(--soft)">
        {middle.small}
      </text>
    </svg>
  );
}

/** How long the jars last at the pace they are used, with the name at its end. */
function Lasts({
  row,
  radius,
  from,
}: {
  readonly row: YearAhead & YearUseView;
  readonly radius: number;
  readonly from: number;
}) {
  const sweep = angleOfDays(lastingDays(row));
  const [x, y] = pointAt(from + sweep, radius);
  const isLeft = Math.sin(from + sweep) < 0;
  return (
    <>
      {sweep > 0 && (
        <path
          d={arcPath(from, sweep, radius)}
          stroke="var(--fruit)"
          strokeWidth="6"
          strokeLinecap="round"
        />
      )}
      <circle cx={x} cy={y} r="5" fill="var(--fruit)" />
      <text
        x={x + (isLeft ? -9 : 9)}
        y={y + 5}
        textAnchor={isLeft ? 'end' : 'start'}
        fontSize="13"
        fontWeight="650"
        fill="var(--color-base-content)"
        stroke="var(--color-base-200)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {ringName(row)}
      </text>
    </>
  );
}

/** The same by months, from this one on, for a phone. */
export function YearBar({
  row,
  southern,
}: {
  readonly row: YearAhead & YearUseView;
  readonly southern: boolean;
}) {
  const first = today().getMonth();
  const seasons = seasonsOf(row.fruit, southern);
  const isIn = (month: number): boolean =>
    seasons.some(([from, months]) => (month - from + 12) % 12 < months);
  const share = Math.min(lastingDays(row) / DAYS_A_YEAR, 1);
  return (
    <div aria-hidden="true" className="relative mt-1 h-5 md:hidden">
      <div className="flex h-full gap-px">
        {Array.from({ length: 12 }, (_, i) => (first + i) % 12).map((month) => (
          <span
            key={month}
            className="flex-1 rounded-sm bg-base-300 text-center text-[11px] leading-5 text-soft"
            style={
              isIn(month)
                ? { background: 'color-mix(in srgb, var(--fruit) 28%, var(--color-base-100))' }
                : undefined
            }
          >
            {dates.monthLetter(month + 1)}
          </span>
        ))}
      </div>
      <div
        className="absolute bottom-0 left-0 h-1 rounded-full"
        style={{ width: `${share * 100}%`, background: 'var(--fruit)' }}
      />
    </div>
  );
}
