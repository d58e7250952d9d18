import {
  Chart,
  Filler,
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
import { unitById, type WatchedBoil } from '@idle-kettle/core';
import { CHART_FONT, CHART_INK } from '../../batch/chart-ink.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import type { Theme } from '../../ui/theme.js';
import { cookCurve } from './cook-curve-points.js';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Filler, annotation);

interface CookCurveProps {
  /** When it went on the heat, milliseconds since 1970. */
  readonly startedAt: number;
  readonly watched: WatchedBoil;
  /** Where it is finished, kg; undefined where the clock ends it. */
  readonly finish_kg: number | undefined;
  readonly theme: Theme;
}

/** What is in the pan of a long cook against the hours: weighed, as it should be, and to come. */
export default function CookCurve({ startedAt, watched, finish_kg, theme }: CookCurveProps) {
  const formats = useFormats();
  const { units } = usePreferences();
  const ink = CHART_INK[theme];
  const toUnit = units === 'us' ? 1 / unitById('lb').si : 1;
  const unit = units === 'us' ? 'lb' : 'kg';
  const { past, ahead, least, most, weighed, hours, most_kg } = useMemo(
    () => cookCurve(watched, startedAt),
    [watched, startedAt],
  );
  const data = useMemo<ChartData<'line', { x: number; y: number }[]>>(() => {
    const drawn = (points: readonly { hour: number; mass_kg: number }[]) =>
      points.map(({ hour, mass_kg }) => ({ x: hour, y: mass_kg * toUnit }));
    const plain = { borderWidth: 0, pointRadius: 0, backgroundColor: ink.band } as const;
    return {
      datasets: [
        {
          label: 'weighed',
          data: drawn(weighed),
          borderColor: ink.dot,
          backgroundColor: ink.dot,
          pointRadius: 6,
          showLine: false,
        },
        { ...plain, label: 'at least', data: drawn(least), borderColor: 'transparent' },
        { ...plain, label: 'at most', data: drawn(most), borderColor: 'transparent', fill: '-1' },
        {
          label: 'so far',
          data: drawn(past),
          borderColor: ink.ahead,
          borderWidth: 2.5,
          pointRadius: 0,
        },
        {
          label: 'to come',
          data: drawn(ahead),
          borderColor: ink.ahead,
          borderWidth: 2.5,
          borderDash: [7, 6],
          pointRadius: 0,
        },
      ],
    };
  }, [past, ahead, least, most, weighed, toUnit, ink]);
  const options: ChartOptions<'line'> = {
    animation: false,
    parsing: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: hours,
        grid: { display: false },
        border: { color: ink.line },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          callback: (value) => `${value} h`,
          maxTicksLimit: 7,
        },
      },
      y: {
        min: 0,
        suggestedMax: most_kg * toUnit,
        grid: { color: ink.line },
        border: { display: false },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          callback: (value) => `${value} ${unit}`,
          maxTicksLimit: 6,
        },
      },
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          title: (items) => `${(items[0]?.parsed.x ?? 0).toFixed(1)} h`,
          label: (item) => `${(item.parsed.y ?? 0).toFixed(2)} ${unit}`,
        },
      },
      annotation: {
        annotations:
          finish_kg === undefined
            ? {}
            : {
                finish: {
                  type: 'line',
                  yMin: finish_kg * toUnit,
                  yMax: finish_kg * toUnit,
                  borderColor: ink.gel,
                  borderWidth: 3,
                  label: {
                    display: true,
                    content: `finished ${formats.mass(finish_kg)}`,
                    position: 'end',
                    yAdjust: 14,
                    backgroundColor: 'transparent',
                    color: ink.gel,
                    font: { ...CHART_FONT, size: 15, weight: 'bold' },
                  },
                },
              },
      },
    },
  };
  const spoken = `What is in the pan: ${formats.mass(watched.forecast.now.mass_kg)} now${
    finish_kg === undefined ? '' : `, finished at ${formats.mass(finish_kg)}`
  }; ${weighed.length} measured`;
  return <Line data={data} options={options} role="img" aria-label={spoken} />;
}
