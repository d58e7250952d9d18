import {
  Chart,
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
import type { Boil, Watched } from '@idle-kettle/core';
import type { Theme } from '../../app/theme.js';
import { useFormats } from '../../ui/habit.js';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Filler, Legend, annotation);

const INK = {
  day: {
    soft: '#6d5a62',
    line: '#dfd2bc',
    dot: '#a9531f',
    gel: '#33692f',
    ahead: '#6e2a4f',
    band: '#6e2a4f2e',
  },
  night: {
    soft: '#b9a6ac',
    line: '#4a3a43',
    dot: '#efa467',
    gel: '#8ccb7e',
    ahead: '#e39bc2',
    band: '#e39bc240',
  },
} as const;
const FONT = { family: 'Atkinson Hyperlegible Next Variable', size: 13 };
const MINUTE_MS = 60_000;

interface CurveProps {
  readonly boil: Boil;
  readonly gel_C: number;
  readonly boilingPoint_C: number;
  readonly minutes: number;
  /** What the line is: "gel line here", or where the finish will be. */
  readonly lineName: string;
  readonly theme: Theme;
  /** Where it may go. */
  readonly watched: Watched | undefined;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

const STEPS = 40;

/** The curve to come, dashed, between its early and its late end. Each is the same way walked faster or slower. */
function ahead(watched: Watched | undefined, start: number, gel_C: number, toUnit: (celsius: number) => number, ink: (typeof INK)['day'] | (typeof INK)['night']) {
  if (!watched || watched.path.length < 2) return [];
  const { low, mid, high } = watched.forecast.left_s;
  const now = Date.now();
  const most = gel_C + 0.8;
  /** What it shows so many seconds from now, by a pot this much faster than the middle one. */
  const reading = (seconds: number, faster: number): number => {
    const at = now + seconds * faster * 1000;
    const k = watched.path.findIndex((point) => point.at >= at);
    const [a, b] = [watched.path[k - 1], watched.path[k]];
    if (!b) return most;
    const value = a ? a.reading_C + ((b.reading_C - a.reading_C) * (at - a.at)) / (b.at - a.at) : b.reading_C;
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
    { ...plain, label: 'at the earliest', data: walk(low), borderColor: 'transparent', backgroundColor: ink.band },
    { ...plain, label: 'at the latest', data: walk(high), borderColor: 'transparent', backgroundColor: ink.band, fill: '-1' },
    { ...plain, label: 'where it goes', data: walk(mid), borderColor: ink.ahead, backgroundColor: 'transparent', borderWidth: 2.5, borderDash: [7, 6] },
  ];
} // prettier-ignore

/** Readings as dots against the gel line of this place. */
export default function Curve({
  boil,
  gel_C,
  boilingPoint_C,
  minutes,
  lineName,
  theme,
  watched,
}: CurveProps) {
  const formats = useFormats();
  const ink = INK[theme];
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
          pointRadius: 5,
          tension: 0.25,
        },
        ...ahead(watched, start, gel_C, toUnit, ink),
      ],
    }),
    [boil.readings, start, toUnit, ink, watched, gel_C],
  );
  const values = boil.readings.map((reading) => reading.temperature_C);
  const least = Math.min(boilingPoint_C - 1, ...values);
  const most = Math.max(gel_C + 1.5, ...values);
  // Four equal stretches of whole minutes.
  const longest = Math.max(Math.ceil((minutes + 2) / 20) * 20, 20);
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: longest,
        grid: { display: false },
        border: { color: ink.line },
        ticks: { color: ink.soft, font: FONT, callback: (value) => `${value} min`, stepSize: longest / 4 },
      },
      y: {
        min: Math.floor(toUnit(least) / 2) * 2,
        max: Math.ceil(toUnit(most) / 2) * 2,
        grid: { color: ink.line },
        border: { display: false },
        ticks: { color: ink.soft, font: FONT, callback: (value) => `${value}°`, stepSize: 2 },
      },
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          title: (items) => `${(items[0]?.parsed.x ?? 0).toFixed(1)} min`,
          label: (item) => formats.temperature(formats.fromUnit(item.parsed.y ?? 0)),
        },
      },
      annotation: {
        annotations: {
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
              font: { ...FONT, size: 15, weight: 'bold' },
            },
          },
        },
      },
    },
  };
  const last = boil.readings.at(-1);
  const left =
    watched &&
    `; done in ${Math.floor(watched.forecast.left_s.low / 60)} to ${Math.ceil(watched.forecast.left_s.high / 60)} minutes`;
  const spoken = `Boil curve: ${boil.readings.length} readings${last ? `, the last ${formats.temperature(last.temperature_C)}` : ''}; ${lineName} ${formats.temperature(gel_C)}${left ?? ''}`;
  return <Line data={data} options={options} role="img" aria-label={spoken} />;
}
