import {
  boilingPointAt,
  FOOT_M,
  gelTemperature_C,
  PROCESS_BANDS,
  processBand,
} from '@idle-kettle/core';
import { stopCheck } from '../../batch/checked-rows.js';
import { useCheckedBy } from '../../batch/use-checked-by.js';
import { useFormats, usePreferences, type Formats } from '../../ui/preferences.js';
import { bandWords } from './band-words.js';
import { CheckSheetLink, DataTable, Sources } from './data-table.js';

const FEET_STEP = 1000;
const METRES_STEP = 300;
const ROWS = 11;

/** Altitudes of the table, m: round ones in the household's unit. */
const altitudes = (inFeet: boolean): number[] =>
  Array.from({ length: ROWS }, (_, i) => (inFeet ? i * FEET_STEP * FOOT_M : i * METRES_STEP));

const atAltitude = (altitude_m: number) => ({
  altitude_m,
  boils_C: boilingPointAt({ altitude_m }).boilingPoint_C.mid,
  stop_C: gelTemperature_C({ altitude_m }),
});

/** Where a long boil stops, by altitude; this kitchen's own line among them. */
export function WhereToStop() {
  const formats = useFormats();
  const { units, kitchen } = usePreferences();
  const { altitude_m } = kitchen;
  const own = altitude_m === undefined ? undefined : atAltitude(altitude_m);
  const rows = altitudes(units === 'us').map(atAltitude);
  const checkedBy = useCheckedBy();
  const checked = (height_m: number): string => {
    const check = stopCheck(height_m);
    return check ? checkedBy(check) : 'computed';
  };
  const bands = bandWords(units);
  const bandOf = (height_m: number): string => {
    const band = processBand(height_m);
    return band === null ? 'no tested time' : (bands[PROCESS_BANDS.indexOf(band)] ?? '');
  };
  const all = own
    ? [...rows.filter((row) => Math.abs(row.altitude_m - own.altitude_m) > 1), own].sort(
        (a, b) => a.altitude_m - b.altitude_m,
      )
    : rows;
  return (
    <section aria-label="Where to stop" className="panel p-5">
      <h2 className="text-xl">Where to stop</h2>
      <p className="mt-1 max-w-prose text-soft">
        Of a jam, jelly or marmalade without added pectin: {formats.difference(RISE_K)} above
        boiling water, here, on your thermometer. Weather moves it half a degree; confirm with the
        cold plate.
        {own &&
          ` Here, at ${formats.altitude(own.altitude_m)}: ${formats.temperature(own.stop_C)}.`}
      </p>
      <Curve rows={rows} own={own} formats={formats} />
      <DataTable
        name="Setting point by altitude"
        head={['altitude', 'water boils', 'stop at', 'processed as for', 'checked by']}
        rows={all.map((row) => ({
          key: String(row.altitude_m),
          isOwn: row === own,
          cells: [
            row === own
              ? `${formats.altitude(row.altitude_m)}, here`
              : formats.altitude(row.altitude_m),
            formats.temperature(row.boils_C),
            formats.temperature(row.stop_C),
            bandOf(row.altitude_m),
            checked(row.altitude_m),
          ],
        }))}
      />
      <Sources
        sources={[
          'US Standard Atmosphere 1976 and IAPWS-IF97 for boiling water',
          'the rise for 65 % solids: USDA Complete Guide to Home Canning, Guide 7, from memory',
        ]}
      />
      <CheckSheetLink />
    </section>
  );
}

/** What a setting point is above boiling water: the difference the table itself has, K. */
const RISE_K =
  gelTemperature_C({ altitude_m: 0 }) - boilingPointAt({ altitude_m: 0 }).boilingPoint_C.mid;

interface CurveProps {
  readonly rows: readonly ReturnType<typeof atAltitude>[];
  readonly own: ReturnType<typeof atAltitude> | undefined;
  readonly formats: Formats;
}

const WIDTH = 640;
const HEIGHT = 200;
const LEFT = 64;
const BOTTOM = 34;
const TOP = 22;

/** The setting point falling with altitude, with a mark where this kitchen stands. */
function Curve({ rows, own, formats }: CurveProps) {
  const [first, last] = [rows[0], rows.at(-1)];
  if (!first || !last) return null;
  const x = (altitude_m: number): number =>
    LEFT + (altitude_m / last.altitude_m) * (WIDTH - LEFT - 20);
  const y = (stop_C: number): number =>
    TOP + ((first.stop_C - stop_C) / (first.stop_C - last.stop_C)) * (HEIGHT - TOP - BOTTOM);
  const isInside = own !== undefined && own.altitude_m >= 0 && own.altitude_m <= last.altitude_m;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`The setting point falls from ${formats.temperature(first.stop_C)} at the sea to ${formats.temperature(last.stop_C)} at ${formats.altitude(last.altitude_m)}`}
      className="my-3 w-full max-w-2xl"
    >
      {[first, last].map((row) => (
        <g key={row.altitude_m}>
          <line
            x1={LEFT}
            x2={WIDTH - 20}
            y1={y(row.stop_C)}
            y2={y(row.stop_C)}
            className="stroke-line"
          />
          <text
            x={LEFT - 8}
            y={y(row.stop_C) + 5}
            textAnchor="end"
            className="fill-soft text-[14px]"
          >
            {formats.degrees(row.stop_C)}
          </text>
          <text
            x={x(row.altitude_m)}
            y={HEIGHT - 10}
            textAnchor={row === first ? 'start' : 'end'}
            className="fill-soft text-[14px]"
          >
            {formats.altitude(row.altitude_m)}
          </text>
        </g>
      ))}
      <polyline
        points={rows.map((row) => `${x(row.altitude_m)},${y(row.stop_C)}`).join(' ')}
        fill="none"
        strokeWidth="3"
        className="stroke-primary"
      />
      {isInside && (
        <>
          <circle
            cx={x(own.altitude_m)}
            cy={y(own.stop_C)}
            r="8"
            className="fill-secondary stroke-base-100"
            strokeWidth="2"
          />
          <text
            x={x(own.altitude_m) + 14}
            y={y(own.stop_C) - 6}
            className="fill-base-content text-[16px] font-semibold"
          >
            {formats.temperature(own.stop_C)} here
          </text>
        </>
      )}
    </svg>
  );
}
