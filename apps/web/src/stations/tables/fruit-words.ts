/** From so much pectin on, % of the fruit: groups as the guides have them, common practice. */
const MUCH = 0.8;
const SOME = 0.4;

/** How much pectin fruit has. @param percent undefined where it is not known */
export function pectinWords(percent: number | undefined): string {
  if (percent === undefined) return 'not known';
  if (percent >= MUCH) return 'much';
  return percent >= SOME ? 'some' : 'little';
}

/**
 * Months that follow each other, as "Aug to Oct"; over the turn of the year too.
 *
 * @param isIn January first
 * @param name of a month, 1 to 12
 */
export function monthsWords(isIn: readonly boolean[], name: (month: number) => string): string {
  if (isIn.every(Boolean)) return 'all year';
  const starts = isIn.flatMap((here, i) => (here && !isIn.at(i - 1) ? [i] : []));
  return starts
    .map((start) => {
      let length = 1;
      while (isIn[(start + length) % isIn.length]) length++;
      const last = (start + length - 1) % isIn.length;
      return length === 1 ? name(start + 1) : `${name(start + 1)} to ${name(last + 1)}`;
    })
    .join(', ');
}
