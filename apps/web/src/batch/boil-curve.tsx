import {
  Chart,
  Decimation,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import type { Boil, WatchedBoil } from '@idle-kettle/core';
import type { Theme } from '../ui/theme.js';
import { CHART_FONT, CHART_INK } from './chart-ink.js';
import { useFormats } from '../ui/preferences.js';
import { MINUTE_MS } from '@idle-kettle/core';

Chart.register(
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  Tooltip,
  Filler,
  Legend,
  Decimation,
  annotation,
);

/** Degrees between two lines of the scale, so that a handful of them fit. */
function stepFor(degrees: number): number {
  if (degrees > 30) return 20;
  return degrees > 12 ? 5 : 2;
}

interface CurveProps {
  readonly boil: Boil;
  readonly gel_C: number;
  readonly boilingPoint_C: number;
  readonly minutes: number;
  /** What the line is: "gel line here", or where the finish will be; none where something else tells. */
  readonly lineName: string | undefined;
  readonly theme: Theme;
  /** Where the egg curdles, for a curd. */
  readonly curdles_C: number | undefined;
  /** Where it may go. */
  readonly watched: WatchedBoil | undefined;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

const STEPS = 40;
/** More readings than this are drawn as a line, and thinned. */
const MANY = 40;
const DRAWN = 400;

/**
 * The curve to come, dashed, between its early and its late end. Each is the same way walked faster
 * or slower.
 */
function ahead(
  watched: WatchedBoil | undefined,
  start: number,
  gel_C: number,
  now: number,
  toUnit: (celsius: number) => number,
  ink: (typeof CHART_INK)[Theme],
) {
  if (!watched || watched.path.length < 2) return [];
  const { low, mid, high } = watched.forecast.left_s;
  const most = gel_C + 0.8;
  /** What it shows so many seconds from now, by a pot this much faster than the middle one. */
  const reading = (seconds: number, faster: number): number => {
    const at = now + seconds * faster * 1000;
    const k = watched.path.findIndex((point) => point.at >= at);
    const [a, b] = [watched.path[k - 1], watched.path[k]];
    if (!b) return most;
    const value = a
      ? a.reading_C + ((b.reading_C - a.reading_C) * (at - a.at)) / (b.at - a.at)
      : b.reading_C;
    return Math.min(value, most);
  };
  const until = Math.min(Math.max(high, 60) * 1.05, 3600);
  const walk = (left: number): Point[] =>
    Array.from({ length: STEPS + 1 }, (_, i) => (until * i) / STEPS).map((seconds) => ({
      x: (now + seconds * 1000 - start) / MINUTE_MS,
      y: toUnit(reading(seconds, Math.max(mid, 1) / Math.max(left, 1))),
    }));
  const plain = { borderWidth: 0, pointRadius: 0 } as const;
  return [
    {
      ...plain,
      label: 'at the earliest',
      data: walk(low),
      borderColor: 'transparent',
      backgroundColor: ink.band,
    },
    {
      ...plain,
      label: 'at the latest',
      data: walk(high),
      borderColor: 'transparent',
      backgroundColor: ink.band,
      fill: '-1',
    },
    {
      ...plain,
      label: 'where it goes',
      data: walk(mid),
      borderColor: ink.ahead,
      backgroundColor: 'transparent',
      borderWidth: 2.5,
      borderDash: [7, 6],
    },
  ];
}

/** Readings as dots against the gel line of this place. */
export default function Curve({
  boil,
  gel_C,
  boilingPoint_C,
  minutes,
  lineName,
  theme,
  curdles_C,
  watched,
}: CurveProps) {
  const formats = useFormats();
  const ink = CHART_INK[theme];
  const start = boil.startedAt ?? 0;
  const { toUnit } = formats;
  const data = useMemo<ChartData<'line', { x: number; y: number }[]>>(
    () => ({
      datasets: [
        {
          label: 'readings',
          data: boil.readings.map((reading) => ({
            x: (reading.at - start) / MINUTE_MS,
            y: toUnit(reading.temperature_C),
          })),
          borderColor: ink.dot,
          backgroundColor: ink.dot,
          borderWidth: 2,
          pointRadius: boil.readings.length > MANY ? 1.5 : 5,
          tension: boil.readings.length > MANY ? 0 : 0.25,
        },
        ...ahead(watched, start, gel_C, watched?.now ?? start, toUnit, ink),
      ],
    }),
    [boil.readings, start, toUnit, ink, watched, gel_C],
  );
  const lowest = boil.readings.reduce(
    (low, { temperature_C }) => Math.min(low, temperature_C),
    boilingPoint_C - 1,
  );
  // Once it boils, the degrees that matter are the last few; how it was warmed is no longer drawn.
  const boils =
    curdles_C === undefined &&
    boil.readings.some(({ temperature_C }) => temperature_C > boilingPoint_C - 0.5);
  const least = boils ? Math.max(lowest, boilingPoint_C - 2) : lowest;
  const most = boil.readings.reduce(
    (high, { temperature_C }) => Math.max(high, temperature_C),
    (curdles_C ?? (lineName === undefined ? lowest : gel_C)) + 1.5,
  );
  const step = stepFor(most - least);
  // Four equal stretches of whole minutes.
  const longest = Math.max(Math.ceil((minutes + 2) / 20) * 20, 20);
  const options: ChartOptions<'line'> = {
    animation: false,
    // What is drawn is given as points already; only so can it be thinned.
    parsing: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: longest,
        grid: { display: false },
        border: { color: ink.line },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          callback: (value) => `${value} min`,
          stepSize: longest / 4,
        },
      },
      y: {
        min: Math.floor(toUnit(least) / step) * step,
        max: Math.ceil(toUnit(most) / step) * step,
        grid: { color: ink.line },
        border: { display: false },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          callback: (value) => `${value}°`,
          stepSize: step,
        },
      },
    },
    plugins: {
      legend: { display: false },
      decimation: { enabled: true, algorithm: 'lttb', samples: DRAWN, threshold: DRAWN },
      tooltip: {
        callbacks: {
          title: (items) => `${(items[0]?.parsed.x ?? 0).toFixed(1)} min`,
          label: (item) => formats.temperature(formats.fromUnit(item.parsed.y ?? 0)),
        },
      },
      annotation: {
        annotations: {
          ...(lineName !== undefined && {
            gel: {
              type: 'line',
              yMin: toUnit(gel_C),
              yMax: toUnit(gel_C),
              borderColor: ink.gel,
              borderWidth: 3,
              label: {
                display: true,
                content: `${lineName} ${formats.degrees(gel_C)}`,
                position: 'start',
                yAdjust: -13,
                backgroundColor: 'transparent',
                color: ink.gel,
                font: { ...CHART_FONT, size: 15, weight: 'bold' },
              },
            },
          }),
          ...(curdles_C !== undefined && {
            curdles: {
              type: 'line',
              yMin: toUnit(curdles_C),
              yMax: toUnit(curdles_C),
              borderColor: ink.curdles,
              borderWidth: 3,
              borderDash: [4, 4],
              label: {
                display: true,
                content: `curdles ${formats.degrees(curdles_C)}`,
                position: 'start',
                yAdjust: -13,
                backgroundColor: 'transparent',
                color: ink.curdles,
                font: { ...CHART_FONT, size: 15, weight: 'bold' },
              },
            },
          }),
        },
      },
    },
  };
  const last = boil.readings.at(-1);
  const left =
    watched &&
    `; done in ${Math.floor(watched.forecast.left_s.low / 60)} to ${Math.ceil(watched.forecast.left_s.high / 60)} minutes`;
  const spoken = `Boil curve: ${boil.readings.length} readings${last ? `, the last ${formats.temperature(last.temperature_C)}` : ''}${lineName === undefined ? '' : `; ${lineName} ${formats.temperature(gel_C)}`}${left ?? ''}`;
  return <Line data={data} options={options} role="img" aria-label={spoken} />;
}
