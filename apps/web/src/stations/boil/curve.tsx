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
import type { Boil } from '@idle-kettle/core';
import type { Theme } from '../../app/theme.js';
import { useFormats } from '../../ui/habit.js';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Filler, Legend, annotation);

const INK = {
  day: { soft: '#6d5a62', line: '#dfd2bc', dot: '#a9531f', gel: '#33692f' },
  night: { soft: '#b9a6ac', line: '#4a3a43', dot: '#efa467', gel: '#8ccb7e' },
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
}

/** Readings as dots against the gel line of this place. */
export default function Curve({ boil, gel_C, boilingPoint_C, minutes, lineName, theme }: CurveProps) {
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
      ],
    }),
    [boil.readings, start, toUnit, ink],
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
  const spoken = `Boil curve: ${boil.readings.length} readings${last ? `, the last ${formats.temperature(last.temperature_C)}` : ''}; ${lineName} ${formats.temperature(gel_C)}`;
  return <Line data={data} options={options} role="img" aria-label={spoken} />;
}
