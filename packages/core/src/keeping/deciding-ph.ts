/** More digits than these nobody reads. */
const MOST_DIGITS = 4;

/**
 * A pH to the digit that decides: never rounded over to the other side of its limit.
 *
 * @param least digits after the point at least
 */
export function decidingPH(pH: number, limit: number, least = 2): string {
  for (let digits = least; digits < MOST_DIGITS; digits++) {
    const shown = pH.toFixed(digits);
    if (Number(shown) > limit === pH > limit) return shown;
  }
  return pH.toFixed(MOST_DIGITS);
}
