import type { TableCheckBody } from '@idle-kettle/contract';
import {
  boilingPointAt,
  fahrenheit,
  fillVolume_ml,
  FOOT_M,
  gelTemperature_C,
  INGREDIENTS,
  isProduce,
  JAR_SIZES,
  PROCESS_BANDS,
  PROCESS_ROWS,
  PROFILED,
  QUARTER_INCH_MM,
  type Ingredient,
  type Profiled,
} from '@idle-kettle/core';
import { jarName } from '../ui/jar-picture.js';

/** A row of a table that can be held against one's own printed table, and signed. */
export interface CheckedRow {
  readonly id: string;
  readonly name: string;
  /** What is signed: if one of them changes, the signature falls. */
  readonly values: readonly number[];
  /** The same in words, each under its column. */
  readonly figures: readonly (readonly [column: string, figure: string])[];
}

/** A table of the check sheet. */
export interface CheckedTable {
  readonly title: string;
  readonly rows: readonly CheckedRow[];
}

/** Figures to sign are compared as they are written, to this many places. */
const PLACES = 3;
const rounded = (value: number): number => Number(value.toFixed(PLACES));
/** A figure that is not known is signed as such. */
const UNKNOWN = -1;

/** One figure of a row: its column, its value, its unit. */
type Figure = readonly [column: string, value: number | undefined, unit: string];

const rowOf = (id: string, name: string, figures: readonly Figure[]): CheckedRow => ({
  id,
  name,
  values: figures.map(([, value]) => (value === undefined ? UNKNOWN : rounded(value))),
  figures: figures.map(([column, value, unit]) => [
    column,
    value === undefined ? 'not known' : `${Number(value.toFixed(2))} ${unit}`.trim(),
  ]),
});

export const PROCESS_CHECKS: readonly CheckedRow[] = Object.values(PROCESS_ROWS).map((row) => ({
  ...rowOf(
    row.id,
    row.name,
    PROCESS_BANDS.map(({ label }, i) => [label, row.minutes[i], 'min'] as const),
  ),
  name: `${row.name}, up to the ${row.jarName}`,
}));

/** Where the published table of the setting point has its rows, ft. */
const STOP_FEET = [0, 1000, 2000, 3000, 4000, 5000, 6000, 7000, 8000] as const;

/** The row of an altitude, m; undefined between the rows of the published table. */
export const stopCheck = (altitude_m: number): CheckedRow | undefined =>
  STOP_CHECKS.find(
    ({ id }) => Math.abs(Number(id.slice('stop:'.length)) * FOOT_M - altitude_m) < 1,
  );

const STOP_CHECKS: readonly CheckedRow[] = STOP_FEET.map((feet) => {
  const place = { altitude_m: feet * FOOT_M };
  const boils_C = boilingPointAt(place).boilingPoint_C.mid;
  const stop_C = gelTemperature_C(place);
  return rowOf(`stop:${feet}`, `${feet.toLocaleString('en')} ft`, [
    ['water boils', boils_C, '°C'],
    ['stop at', stop_C, '°C'],
    ['stop at, °F', fahrenheit(stop_C), '°F'],
  ]);
});

export const fruitCheck = (fruit: Ingredient): CheckedRow =>
  rowOf(`fruit:${fruit.id}`, fruit.name[1], [
    ['pH, lowest', fruit.acidity?.pH.low, ''],
    ['pH, highest', fruit.acidity?.pH.high, ''],
    ['acid', fruit.acidity?.titratablePercent.mid, '%'],
    ['pectin', fruit.pectinPercent?.mid, '%'],
    ['solids, lowest', fruit.solubleSolidsPercent.low, '%'],
    ['solids, highest', fruit.solubleSolidsPercent.high, '%'],
    ['lost in preparing', fruit.wastePercent?.mid, '%'],
    ['a US cup', fruit.gramsPerCup[fruit.usualForm], 'g'],
    ['one gives', fruit.gramsEach?.mid, 'g'],
  ]);

export const sweetenerCheck = (sweetener: Ingredient): CheckedRow =>
  rowOf(`sweetener:${sweetener.id}`, sweetener.name[0], [
    ['solids', sweetener.solubleSolidsPercent.mid, '%'],
    ['a US cup', sweetener.gramsPerCup[sweetener.usualForm], 'g'],
  ]);

export const pectinCheck = (pectin: Ingredient): CheckedRow =>
  rowOf(`pectin:${pectin.id}`, pectin.name[0], [
    ['pectin', pectin.pectinProduct?.percent.mid, '%'],
    ['a box or pouch', (pectin.gramsPerBox ?? pectin.gramsPerPouch)?.mid, 'g'],
  ]);

export const jarCheck = (jar: (typeof JAR_SIZES)[number]): CheckedRow =>
  rowOf(`jar:${jar.id}`, jarName(jar.id, 1), [
    ['holds', fillVolume_ml(jar, QUARTER_INCH_MM), 'ml'],
  ]);

/** Every table of the check sheet but the process tables, which come first and by themselves. */
export const CHECKED_TABLES: readonly CheckedTable[] = [
  { title: 'Where to stop', rows: STOP_CHECKS },
  {
    title: 'Fruit',
    rows: INGREDIENTS.filter(isProduce)
      .toSorted((a, b) => a.name[1].localeCompare(b.name[1]))
      .map(fruitCheck),
  },
  {
    title: 'Sugars and sweeteners',
    rows: INGREDIENTS.filter(({ category }) => category === 'sweetener').map(sweetenerCheck),
  },
  {
    title: 'Pectins',
    rows: INGREDIENTS.filter(({ id }) => PROFILED.includes(id as Profiled)).map(pectinCheck),
  },
  { title: 'Jar sizes', rows: JAR_SIZES.map(jarCheck) },
];

/** Who signed a row; undefined where nobody did, or a figure of it changed since. */
export const signedRow = (
  { id, values }: Pick<CheckedRow, 'id' | 'values'>,
  checks: readonly TableCheckBody[] = [],
): TableCheckBody | undefined =>
  checks.find(({ row, minutes, figures = minutes }) => {
    const isSame = figures?.length === values.length;
    return row === id && isSame && values.every((value, i) => figures[i] === value);
  });
