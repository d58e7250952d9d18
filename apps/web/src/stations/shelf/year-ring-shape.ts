import { inSeason } from '@idle-kettle/core';

/** Half the width of the drawing; its middle. */
export const CENTRE = 320;
const OUTERMOST = 268;
const BETWEEN_RINGS = 26;
/** More rings than these cannot be told apart: the rest stands in the list. */
export const MOST_RINGS = 8;

const TURN = 2 * Math.PI;
export const DAYS_A_YEAR = 365;

/** Radius of a ring, the outermost first. @param index 0 to {@link MOST_RINGS} − 1 */
export const radiusOf = (index: number): number => OUTERMOST - index * BETWEEN_RINGS;

/** The day of the year as an angle from the top, clockwise, rad. */
export function angleOf(day: Date): number {
  const start = new Date(day.getFullYear(), 0, 1).getTime();
  const end = new Date(day.getFullYear() + 1, 0, 1).getTime();
  return (TURN * (day.getTime() - start)) / (end - start);
}

/** So many days as an angle, never more than the whole turn less a gap, rad. */
export const angleOfDays = (days: number): number =>
  Math.min((TURN * days) / DAYS_A_YEAR, TURN * 0.985);

/** A point of the drawing. @param angle from the top, clockwise, rad */
export const pointAt = (angle: number, radius: number): readonly [x: number, y: number] => [
  CENTRE + radius * Math.sin(angle),
  CENTRE - radius * Math.cos(angle),
];

/** An arc as the path of an SVG. @param sweep rad, clockwise, under a whole turn */
export function arcPath(from: number, sweep: number, radius: number): string {
  const [x0, y0] = pointAt(from, radius);
  const [x1, y1] = pointAt(from + sweep, radius);
  const isLarge = sweep > Math.PI ? 1 : 0;
  const at = (value: number): string => value.toFixed(1);
  return `M${at(x0)} ${at(y0)}A${radius} ${radius} 0 ${isLarge} 1 ${at(x1)} ${at(y1)}`;
}

/**
 * The stretches of the year in which a fruit is there, as months from 0 on and how many of them; none
 * where it is there all year.
 */
export function seasonsOf(
  fruit: string | null,
  southern: boolean,
): readonly (readonly [first: number, months: number])[] {
  const months = Array.from(
    { length: 12 },
    (_, i) => fruit !== null && inSeason(fruit, i + 1, southern),
  );
  if (months.every(Boolean)) return [];
  return months.flatMap((isIn, i) => {
    const isFirst = isIn && months[(i + 11) % 12] !== true;
    if (!isFirst) return [];
    const length = Array.from({ length: 12 }, (_, k) => months[(i + k) % 12] === true).indexOf(
      false,
    );
    return [[i, length] as const];
  });
}
