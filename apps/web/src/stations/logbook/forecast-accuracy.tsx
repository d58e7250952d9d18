import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { Chart as Drawn } from 'react-chartjs-2';
import { useNavigate } from 'react-router';
import type { BatchSummary } from '@idle-kettle/contract';
import { isWithin, forecastAccuracy, type ForecastResult } from '@idle-kettle/core';
import type { Theme } from '../../ui/theme.js';
import * as dates from '../../ui/dates.js';
import { CHART_FONT } from '../../batch/chart-ink.js';
import { INK } from './chart-style.js';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  annotation,
);

/** More batches than this are too narrow to tell apart on a screen; the latest are drawn. */
const MOST_DRAWN = 60;

const WHAT = {
  yield_ml: 'in jars',
  boil_min: 'at the boil',
} as const;
type What = keyof typeof WHAT;

interface Judged {
  readonly batch: BatchSummary;
  readonly foretold: ForecastResult;
}

const judgedBy = (batches: readonly BatchSummary[], what: What): Judged[] =>
  batches
    .flatMap((batch) => {
      const foretold = batch.outcome[what];
      return foretold ? [{ batch, foretold }] : [];
    })
    .slice(0, MOST_DRAWN)
    .reverse();

/** How right forecasts were, in a sentence. */
function rightWords(judged: readonly ForecastResult[], what: What): string {
  const { count, within, missed } = forecastAccuracy(judged);
  if (count === 0)
    return `Nothing to show ${WHAT[what]} yet: it takes a finished batch whose log says so.`;
  return `${within} of ${count} came within the forecast; ${count === 1 ? 'it' : 'the middle one'} missed its middle by ${(missed * 100).toFixed(0)} %.`;
}

interface ForecastAccuracyProps {
  /** The newest first. */
  readonly batches: readonly BatchSummary[];
  readonly theme: Theme;
}

/**
 * What was foretold of each batch as a bar, what came as a mark on it; both as shares of the middle
 * that was foretold.
 */
export function ForecastAccuracyCharts({ batches, theme }: ForecastAccuracyProps) {
  return (
    <>
      {(['yield_ml', 'boil_min'] as const).map((what) => (
        <One key={what} what={what} judged={judgedBy(batches, what)} theme={theme} />
      ))}
    </>
  );
}

function One({
  what,
  judged,
  theme,
}: {
  readonly what: What;
  readonly judged: readonly Judged[];
  readonly theme: Theme;
}) {
  const navigate = useNavigate();
  const ink = INK[theme];
  const share = ({ planned }: ForecastResult, value: number): number => (value / planned.mid) * 100;
  const words = rightWords(
    judged.map(({ foretold }) => foretold),
    what,
  );
  const shares = judged.flatMap(({ foretold }) =>
    [foretold.actual, foretold.planned.low, foretold.planned.high].map((value) =>
      share(foretold, value),
    ),
  );
  const data: ChartData<'bar' | 'line', (number | [number, number])[], string> = {
    labels: judged.map(({ batch }) => dates.day(batch.endedAt ?? batch.createdAt)),
    datasets: [
      {
        type: 'line',
        label: 'actual',
        data: judged.map(({ foretold }) => share(foretold, foretold.actual)),
        showLine: false,
        pointRadius: 7,
        pointHoverRadius: 9,
        pointStyle: judged.map(({ foretold }) => (isWithin(foretold) ? 'circle' : 'triangle')),
        pointBackgroundColor: judged.map(({ foretold }) =>
          isWithin(foretold) ? ink.within : ink.outside,
        ),
        pointBorderWidth: 0,
      },
      {
        type: 'bar',
        label: 'forecast',
        data: judged.map(({ foretold }): [number, number] => [
          share(foretold, foretold.planned.low),
          share(foretold, foretold.planned.high),
        ]),
        backgroundColor: ink.planned,
        borderRadius: 6,
        borderSkipped: false,
        maxBarThickness: 26,
      },
    ],
  };
  const options: ChartOptions<'bar' | 'line'> = {
    animation: false,
    maintainAspectRatio: false,
    onClick: (_event, [hit]) => {
      const batch = hit && judged[hit.index]?.batch;
      if (batch) void navigate(`/logbook/${batch.id}`);
    },
    scales: {
      x: {
        grid: { display: false },
        border: { color: ink.line },
        ticks: { color: ink.soft, font: CHART_FONT, maxRotation: 0, autoSkipPadding: 14 },
      },
      y: {
        // Bars float: they need not stand on zero.
        min: Math.floor((Math.min(90, ...shares) - 5) / 20) * 20,
        max: Math.ceil((Math.max(110, ...shares) + 5) / 20) * 20,
        grid: { color: ink.line },
        border: { display: false },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          callback: (value) => `${value} %`,
          maxTicksLimit: 6,
        },
      },
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          title: ([item]) => (item ? (judged[item.dataIndex]?.batch.title ?? '') : ''),
          label: (item) => {
            const foretold = judged[item.dataIndex]?.foretold;
            return foretold
              ? `actual ${share(foretold, foretold.actual).toFixed(0)} %, forecast ${share(foretold, foretold.planned.low).toFixed(0)} to ${share(foretold, foretold.planned.high).toFixed(0)} %`
              : '';
          },
        },
      },
      annotation: {
        annotations: {
          meant: {
            type: 'line',
            yMin: 100,
            yMax: 100,
            borderColor: ink.meant,
            borderWidth: 1.5,
            borderDash: [5, 5],
          },
        },
      },
    },
  };
  return (
    <section aria-label={`Forecast and actual, ${WHAT[what]}`} className="panel p-4">
      <h2 className="text-xl">Forecast and actual, {WHAT[what]}</h2>
      <p className="text-soft">{words}</p>
      {judged.length > 0 && (
        <>
          <div className="mt-2 h-[220px]">
            <Drawn type="bar" data={data} options={options} role="img" aria-label={words} />
          </div>
          <p className="mt-1 text-sm text-soft">
            Bar: forecast. Dot: within it; triangle: outside it. 100 % is the middle of the
            forecast.
          </p>
        </>
      )}
    </section>
  );
}
