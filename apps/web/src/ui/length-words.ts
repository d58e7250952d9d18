/** Whole or half hours are told from this many minutes on. */
const IN_HOURS_FROM_MIN = 120;

const inWords = (minutes: number, isHours: boolean): string =>
  isHours ? String(Math.round((minutes / 60) * 2) / 2) : String(Math.round(minutes));

/** A length of time: "45 min", "3.5 h". @param minutes 0 and up */
export const lengthWords = (minutes: number): string => spanWords(minutes, minutes);

/** The two ends of a length of time: "5 to 8 min", "2.5 to 4 h", "10 h". @param least minutes */
export function spanWords(least: number, most: number): string {
  const isHours = most >= IN_HOURS_FROM_MIN;
  const [from, to] = [inWords(least, isHours), inWords(most, isHours)];
  return `${from === to ? from : `${from} to ${to}`} ${isHours ? 'h' : 'min'}`;
}
