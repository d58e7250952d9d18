import { BarController, BarElement, Chart, PointElement, ScatterController } from 'chart.js';
import type { ChartData, ChartOptions } from 'chart.js';
import { useQuery } from '@tanstack/react-query';
import { Bar, Scatter } from 'react-chartjs-2';
import { Link, useNavigate } from 'react-router';
import type { BatchSummary } from '@idle-kettle/contract';
import { ingredientById } from '@idle-kettle/core';
import { RESULT_WORDS, SET_WORDS } from '../../batch/words.js';
import { request } from '../../data/api.js';
import { keys } from '../../data/queries.js';
import * as dates from '../../ui/dates.js';
import { fruitColour } from '../../ui/fruit-colour.js';
import { Notice } from '../../ui/notice.js';
import { Loading } from '../../ui/page.js';
import { useFormats } from '../../ui/preferences.js';
import type { Theme } from '../../ui/theme.js';
import { CHART_FONT } from '../../batch/chart-ink.js';
import { INK } from './chart-style.js';
import { ForecastAccuracyCharts } from './forecast-accuracy.js';
import {
  bestBatches,
  jarsByYear,
  justRightSpan,
  setByStop,
  type FruitJars,
  type JarsByYear,
} from './logbook-figures.js';

Chart.register(BarController, BarElement, PointElement, ScatterController);

const PAGE = 100;
/** The latest so many are looked at: a lifetime of a home kitchen. */
const MOST_BATCHES = 2000;

async function allBatches(): Promise<BatchSummary[]> {
  const all: BatchSummary[] = [];
  while (all.length < MOST_BATCHES) {
    const after = all.at(-1)?.id;
    const query = new URLSearchParams({
      limit: String(PAGE),
      ...(after !== undefined && { after }),
    });
    const page = await request<BatchSummary[]>('GET', `/batches?${query.toString()}`);
    all.push(...page);
    if (page.length < PAGE) break;
  }
  return all;
}

/** What all batches say together: how many jars, where it sets, which was best, how right forecasts were. */
export default function LogbookCharts({ theme }: { readonly theme: Theme }) {
  const { data, isError } = useQuery({
    queryKey: [...keys.batches, 'charts'],
    queryFn: allBatches,
  });
  if (isError && !data)
    return (
      <Notice title="The charts cannot be drawn" tone="care">
        The server does not answer. It is tried again when you come back to this page.
      </Notice>
    );
  if (!data) return <Loading />;
  return (
    <div className="grid gap-4 md:grid-cols-2">
      <Jars figures={jarsByYear(data)} theme={theme} />
      <Best batches={bestBatches(data)} />
      <SetByStop batches={data} theme={theme} />
      <ForecastAccuracyCharts batches={data} theme={theme} />
    </div>
  );
}

const fruitName = (fruit: string | null): string =>
  fruit === null ? 'all others' : (ingredientById(fruit)?.name[1] ?? fruit);
const total = ({ jars }: FruitJars): number =>
  Math.round(jars.reduce((sum, count) => sum + count, 0));
const plural = (jars: number): string => `${jars} ${jars === 1 ? 'jar' : 'jars'}`;

function jarsSaid({ years, fruits }: JarsByYear): string {
  const [latest, most] = [years.at(-1), fruits[0]];
  if (latest === undefined || !most) return 'No jars filled yet.';
  const inLatest = fruits.reduce((sum, { jars }) => sum + (jars.at(-1) ?? 0), 0);
  return `${plural(Math.round(inLatest))} in ${latest}; most of all ${fruitName(most.fruit)}, ${plural(total(most))} since ${years[0]}.`;
}

/** Jars a year, each fruit in its colour. */
function Jars({ figures, theme }: { readonly figures: JarsByYear; readonly theme: Theme }) {
  const ink = INK[theme];
  const colourOf = ({ fruit }: FruitJars): string =>
    fruit === null ? ink.soft : fruitColour(fruit, theme);
  const data: ChartData<'bar', number[], string> = {
    labels: figures.years.map(String),
    datasets: figures.fruits.map((each) => ({
      label: fruitName(each.fruit),
      data: [...each.jars],
      backgroundColor: colourOf(each),
      borderColor: ink.ground,
      borderWidth: 1,
      maxBarThickness: 90,
    })),
  };
  const options: ChartOptions<'bar'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        stacked: true,
        grid: { display: false },
        border: { color: ink.line },
        ticks: { color: ink.soft, font: CHART_FONT },
      },
      y: {
        stacked: true,
        grid: { color: ink.line },
        border: { display: false },
        ticks: { color: ink.soft, font: CHART_FONT, maxTicksLimit: 6 },
      },
    },
    plugins: { legend: { display: false } },
  };
  const said = jarsSaid(figures);
  return (
    <section aria-label="Jars by year and fruit" className="panel p-4">
      <h2 className="text-xl">Jars by year and fruit</h2>
      <p className="text-soft">{said}</p>
      {figures.years.length > 0 && (
        <>
          <div className="mt-2 h-[220px]">
            <Bar data={data} options={options} role="img" aria-label={said} />
          </div>
          <ul className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm">
            {figures.fruits.map((each) => (
              <li key={each.fruit} className="flex items-center gap-1.5">
                <span
                  aria-hidden="true"
                  className="size-3 rounded-full border border-base-content/40"
                  style={{ background: colourOf(each) }}
                />
                {fruitName(each.fruit)} {total(each)}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** The batch of each name that was liked best. */
function Best({ batches }: { readonly batches: readonly BatchSummary[] }) {
  return (
    <section aria-label="Best so far" className="panel p-4">
      <h2 className="text-xl">Best so far</h2>
      {batches.length === 0 ? (
        <p className="text-soft">
          Score a batch when its first jar is opened; the best stand here.
        </p>
      ) : (
        <ul>
          {batches.map(({ id, title, endedAt, createdAt, score, best }) => (
            <li key={id} className="border-b border-line last:border-b-0">
              <Link to={`/logbook/${id}`} className="block min-h-[44px] py-1.5 hover:underline">
                <strong>{title}</strong>, {dates.day(endedAt ?? createdAt)}
                <span className="block text-sm text-soft">
                  {[
                    ...(best ? [`${RESULT_WORDS[best.result]}, ${best.show}`] : []),
                    ...(score
                      ? [`taste ${score.taste} of 5, set ${SET_WORDS[score.set + 2] ?? ''}`]
                      : []),
                  ].join(' · ')}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** Nearer than a thermometer is read it was stopped at it, K. */
const AT_IT_K = 0.05;

/** "from 0.5° below the setting point to 0.3° above it" */
function spanWords([low, high]: readonly [number, number], degrees: (kelvin: number) => string) {
  const end = (above_K: number, what: string): string =>
    Math.abs(above_K) < AT_IT_K
      ? `at ${what}`
      : `${degrees(Math.abs(above_K))} ${above_K < 0 ? 'below' : 'above'} ${what}`;
  return Math.abs(low - high) < AT_IT_K
    ? end(low, 'the setting point')
    : `from ${end(low, 'the setting point')} to ${end(high, 'it')}`;
}

interface SetByStopProps {
  readonly batches: readonly BatchSummary[];
  readonly theme: Theme;
}

/** How each batch set against where it was stopped: where this kitchen’s own setting point is. */
function SetByStop({ batches, theme }: SetByStopProps) {
  const navigate = useNavigate();
  const { difference } = useFormats();
  const ink = INK[theme];
  const points = setByStop(batches);
  const span = justRightSpan(points);
  const said = span
    ? `Those that were just right were stopped ${spanWords(span, difference)}.`
    : 'Too few batches that were just right, stopped at a temperature and scored, to say where to stop.';
  const data: ChartData<'scatter'> = {
    datasets: [
      {
        label: 'batches',
        data: points.map(({ above_K, set }) => ({ x: above_K, y: set })),
        pointRadius: 8,
        pointHoverRadius: 10,
        pointBackgroundColor: points.map(({ batch }) => fruitColour(batch.fruit, theme)),
        pointBorderColor: ink.meant,
        pointBorderWidth: 1,
      },
    ],
  };
  const options: ChartOptions<'scatter'> = {
    animation: false,
    maintainAspectRatio: false,
    onClick: (_event, [hit]) => {
      const batch = hit && points[hit.index]?.batch;
      if (batch) void navigate(`/logbook/${batch.id}`);
    },
    scales: {
      x: {
        suggestedMin: -1,
        suggestedMax: 1,
        grid: { color: ink.line },
        border: { color: ink.line },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          maxTicksLimit: 7,
          callback: (value) =>
            Number(value) === 0
              ? 'setting point'
              : `${Number(value) < 0 ? '−' : '+'}${difference(Math.abs(Number(value)))}`,
        },
      },
      y: {
        min: -2.3,
        max: 2.3,
        grid: { color: ink.line },
        border: { display: false },
        ticks: {
          color: ink.soft,
          font: CHART_FONT,
          stepSize: 1,
          callback: (value) =>
            Number.isInteger(value) ? (SET_WORDS[Number(value) + 2] ?? '') : '',
        },
        afterBuildTicks: (axis) => {
          axis.ticks = [-2, -1, 0, 1, 2].map((value) => ({ value }));
        },
      },
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          label: ({ dataIndex }) => {
            const point = points[dataIndex];
            return point
              ? `${point.batch.title}: stopped ${spanWords([point.above_K, point.above_K], difference)}, ${SET_WORDS[point.set + 2] ?? ''}`
              : '';
          },
        },
      },
    },
  };
  return (
    <section aria-label="Set, by where it was stopped" className="panel p-4 md:col-span-2">
      <h2 className="text-xl">Set, by where it was stopped</h2>
      <p className="text-soft">{said}</p>
      {points.length > 0 && (
        <div className="mt-2 h-[220px]">
          <Scatter data={data} options={options} role="img" aria-label={said} />
        </div>
      )}
    </section>
  );
}
