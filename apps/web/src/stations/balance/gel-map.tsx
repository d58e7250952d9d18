import { useMemo } from 'react';
import {
  amountFor,
  edited,
  preparePot,
  readFormula,
  type Balance,
  type Edit,
  type FormulaDocument,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { usePreferences, type Preferences } from '../../ui/preferences.js';
import { placeArrows, type PlacedArrow } from './arrow-labels.js';
import { BANDS, BOTTOM, HEIGHT, LEFT, shading, WIDTH, x, y, type Point } from './gel-map-shape.js';

/** Shares of the pot that an arrow adds: enough to see, little enough to do. */
const LEMON_SHARE = 0.025;
const SUGAR_SHARE = 0.06;

/**
 * What a little more of something would do, and stopping a degree later: each is tried in full and
 * shown as an arrow.
 */
function steps(
  document: FormulaDocument,
  { massIn_kg }: Balance,
  { units, temperatureUnit }: Pick<Preferences, 'units' | 'temperatureUnit'>,
  rise_K: number | undefined,
): { label: string; edit: Edit }[] {
  const grams = massIn_kg.mid * 1000;
  const lemon = amountFor('lemon-juice-bottled', grams * LEMON_SHARE, units);
  const sugar = amountFor('white-sugar', grams * SUGAR_SHARE, units);
  const degree = temperatureUnit === 'F' ? 2 : 1;
  const more = temperatureUnit === 'F' ? (rise_K ?? 0) * 1.8 + degree : (rise_K ?? 0) + degree;
  return [
    {
      label: `+${lemon} lemon`,
      edit: { op: 'add', ingredient: 'lemon-juice-bottled', amount: lemon },
    },
    { label: `+${sugar} sugar`, edit: { op: 'add', ingredient: 'white-sugar', amount: sugar } },
    ...(rise_K === undefined
      ? []
      : [
          {
            label: `stop ${degree}° later`,
            edit: {
              op: 'finish' as const,
              finish: { ...document.finish, rise: `${more.toFixed(2)} ${temperatureUnit}` },
            },
          },
        ]),
  ];
}

/**
 * Where the pot stands between runny and firm, and what a spoon of lemon or some sugar would do.
 */
export function GelMap({ balance }: { readonly balance: Balance }) {
  const { asMade, formula } = useBatch();
  const { kitchen, units, temperatureUnit } = usePreferences();
  const { solidsPercent, pectinPercent } = useMemo(() => {
    const outcome = preparePot(formula)?.outcome;
    return { solidsPercent: outcome?.solids ?? 65, pectinPercent: outcome?.pectinPercent ?? 0 };
  }, [formula]);
  const shapes = useMemo(
    () => shading(pectinPercent, solidsPercent),
    [pectinPercent, solidsPercent],
  );
  const arrows = useMemo(() => {
    const at = (document: FormulaDocument): Point | undefined => {
      const outcome = preparePot(readFormula(document, kitchen).formula)?.outcome;
      return outcome && { solids: outcome.solids, pH: outcome.pH };
    };
    const rise_K = formula.finish.type === 'gel-temperature' ? formula.finish.rise_K : undefined;
    return steps(asMade, balance, { units, temperatureUnit }, rise_K).flatMap(({ label, edit }) => {
      const to = at(edited(asMade, [edit]));
      return to ? [{ label, to }] : [];
    });
  }, [asMade, balance, formula, kitchen, units, temperatureUnit]);
  const { pH, finish, set } = balance;
  if (set.model !== 'high-methoxyl') return null;
  const [cx, cy] = [x(finish.solubleSolidsPercent.mid), y(pH.mid)];
  const placed = placeArrows(
    [cx, cy],
    arrows.map(({ label, to }) => ({ label, to: [x(to.solids), y(to.pH)] })),
  );
  const doubt = {
    rx: Math.max((x(finish.solubleSolidsPercent.high) - x(finish.solubleSolidsPercent.low)) / 2, 9),
    ry: Math.max((y(pH.high) - y(pH.low)) / 2, 9),
  };
  return (
    <section aria-label="Gel map" className="panel p-4">
      <h2 className="mb-2 text-xl">Gel map</h2>
      <svg
        role="img"
        aria-label={`At ${finish.solubleSolidsPercent.mid.toFixed(0)} % soluble solids and pH ${pH.mid.toFixed(1)} the set is ${set.verdict === 'none' ? 'runny' : set.verdict}`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full"
      >
        <rect
          x={LEFT}
          y="0"
          width={WIDTH - LEFT}
          height={HEIGHT - BOTTOM}
          rx="6"
          fill="var(--color-base-300)"
          opacity="0.6"
        />
        {shapes.map(({ word, tint, path }) => (
          <path key={word} d={path} fill="var(--fruit)" fillOpacity={tint * 0.55} />
        ))}
        {[2.8, 3.2, 3.6].map((value) => (
          <text
            key={value}
            x={LEFT - 8}
            y={y(value) + 4}
            textAnchor="end"
            fontSize="13"
            fill="var(--soft)"
          >
            {value.toFixed(1)}
          </text>
        ))}
        {[50, 55, 60, 65, 70, 75].map((value) => (
          <text
            key={value}
            x={x(value)}
            y={HEIGHT - BOTTOM + 16}
            textAnchor={value === 75 ? 'end' : 'middle'}
            fontSize="13"
            fill="var(--soft)"
          >
            {value}
          </text>
        ))}
        <text
          x={LEFT + (WIDTH - LEFT) / 2}
          y={HEIGHT - 3}
          textAnchor="middle"
          fontSize="13"
          fill="var(--soft)"
        >
          soluble solids at the finish, %
        </text>
        <text x={LEFT + 8} y="17" fontSize="13" fill="currentColor">
          pH, sharper upward
        </text>
        <clipPath id="gel-map-plot">
          <rect x={LEFT} y="0" width={WIDTH - LEFT} height={HEIGHT - BOTTOM} />
        </clipPath>
        <ellipse
          clipPath="url(#gel-map-plot)"
          cx={cx}
          cy={cy}
          {...doubt}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.5"
          strokeDasharray="4 4"
        />
        {placed.map((arrow) => (
          <Arrow key={arrow.label} arrow={arrow} />
        ))}
        <circle
          cx={cx}
          cy={cy}
          r="7"
          fill="currentColor"
          stroke="var(--color-base-100)"
          strokeWidth="2"
        />
      </svg>
      <ul aria-label="Shades" className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-sm text-soft">
        {[{ word: 'runny', tint: 0 }, ...BANDS].map(({ word, tint }) => (
          <li key={word} className="flex items-center gap-1.5">
            <span
              aria-hidden="true"
              className="relative size-3.5 overflow-hidden rounded border border-line bg-base-300"
            >
              <span
                className="absolute inset-0"
                style={{ background: 'var(--fruit)', opacity: Math.min(tint * 1.1, 1) }}
              />
            </span>
            {word}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One arrow, with its words beside its tip and clear of the others. */
function Arrow({ arrow: { label, from, to, at, anchor } }: { readonly arrow: PlacedArrow }) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy);
  const [ux, uy] = [dx / length, dy / length];
  const head = (side: number): string =>
    `${(to[0] - ux * 8 - side * uy * 5).toFixed(1)} ${(to[1] - uy * 8 + side * ux * 5).toFixed(1)}`;
  return (
    <g>
      <path
        d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}M${head(1)}L${to[0]} ${to[1]}L${head(-1)}`}
        fill="none"
        stroke="var(--color-secondary)"
        strokeWidth="2.5"
        strokeLinecap="round"
      />
      <text
        x={at[0]}
        y={at[1]}
        textAnchor={anchor}
        fontSize="13"
        fontWeight="700"
        fill="var(--color-secondary)"
        stroke="var(--color-base-100)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {label}
      </text>
    </g>
  );
}
