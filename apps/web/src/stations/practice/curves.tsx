import type { CurvePoint, PracticeReview } from '@idle-kettle/core';
import { useMedia } from '../../ui/use-media.js';
import { useFormats } from '../../ui/preferences.js';

/** Drawn smaller on a phone, so that its figures can be read there. */
const WIDE = { width: 640, height: 280, left: 52, right: 16, top: 16, bottom: 34 } as const;
const NARROW = { ...WIDE, width: 340, height: 230 } as const;

/** Round figures for a scale: so many steps between two ends. */
function steps(least: number, most: number, about: number): number[] {
  const rough = Math.max(most - least, 1e-6) / about;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((each) => each * power).find((each) => each >= rough) ?? rough;
  const first = Math.ceil(least / step) * step;
  return Array.from(
    { length: Math.floor((most - first) / step + 1e-9) + 1 },
    (_, i) => first + i * step,
  );
}

/** One's own curve beside the best one, with where it sets. */
export function Curves({
  curve,
  bestCurve,
  setsAt_C,
}: Pick<PracticeReview, 'curve' | 'bestCurve' | 'setsAt_C'>) {
  const formats = useFormats();
  const isNarrow = useMedia('(max-width: 40rem)');
  const size = isNarrow ? NARROW : WIDE;
  const all = [...curve, ...bestCurve];
  const temperatures = all.map(({ temperature_C }) => temperature_C);
  const most_C = Math.max(...temperatures, setsAt_C ?? -Infinity) + 2;
  // How it was warmed tells little: the last degrees are drawn.
  const least_C = Math.max(Math.min(...temperatures), most_C - 40);
  const most_s = Math.max(...all.map(({ time_s }) => time_s), 60);
  const x = (seconds: number): number =>
    size.left + (seconds / most_s) * (size.width - size.left - size.right);
  const y = (celsius: number): number =>
    size.top +
    ((most_C - Math.max(celsius, least_C)) / (most_C - least_C)) *
      (size.height - size.top - size.bottom);
  const path = (points: readonly CurvePoint[]): string =>
    points
      .map(({ time_s, temperature_C }) => `${x(time_s).toFixed(1)},${y(temperature_C).toFixed(1)}`)
      .join(' ');
  const [last, bestLast] = [curve.at(-1), bestCurve.at(-1)];
  const spoken = `Your pan ended after ${((last?.time_s ?? 0) / 60).toFixed(0)} minutes at ${formats.temperature(last?.temperature_C ?? 0)}, the best after ${((bestLast?.time_s ?? 0) / 60).toFixed(0)} minutes at ${formats.temperature(bestLast?.temperature_C ?? 0)}`;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${size.width} ${size.height}`}
        role="img"
        aria-label={spoken}
        className="w-full"
      >
        {steps(formats.toUnit(least_C), formats.toUnit(most_C), 5).map((degrees) => (
          <g key={degrees}>
            <line
              x1={size.left}
              x2={size.width - size.right}
              y1={y(formats.fromUnit(degrees))}
              y2={y(formats.fromUnit(degrees))}
              stroke="var(--line)"
            />
            <text
              x={size.left - 8}
              y={y(formats.fromUnit(degrees)) + 5}
              textAnchor="end"
              fontSize="14"
              fill="var(--soft)"
            >
              {degrees.toFixed(0)}°
            </text>
          </g>
        ))}
        {steps(0, most_s / 60, isNarrow ? 4 : 6).map((minutes) => (
          <text
            key={minutes}
            x={x(minutes * 60)}
            y={size.height - 10}
            textAnchor="middle"
            fontSize="14"
            fill="var(--soft)"
          >
            {minutes.toFixed(0)} min
          </text>
        ))}
        {setsAt_C !== undefined && (
          <line
            x1={size.left}
            x2={size.width - size.right}
            y1={y(setsAt_C)}
            y2={y(setsAt_C)}
            stroke="var(--good-ink)"
            strokeWidth="2.5"
          />
        )}
        <polyline
          points={path(bestCurve)}
          fill="none"
          stroke="var(--soft)"
          strokeWidth="2.5"
          strokeDasharray="7 6"
        />
        <polyline points={path(curve)} fill="none" stroke="var(--fruit)" strokeWidth="3.5" />
      </svg>
      <figcaption className="flex flex-wrap gap-x-5 text-sm text-soft">
        <span>thick line: you</span>
        <span>dashed: the best cook of this pan</span>
        {setsAt_C !== undefined && (
          <span>green: it sets at {formats.temperature(setsAt_C)} today</span>
        )}
      </figcaption>
    </figure>
  );
}
