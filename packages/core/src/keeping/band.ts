import { FOOT_M } from '../quantity/index.js';

/** The altitude bands of the process tables. USDA Complete Guide to Home Canning, from memory. */
export const PROCESS_BANDS = [
  { id: '0-1000-ft', label: '0-1,000 ft', upTo_m: 1000 * FOOT_M },
  { id: '1001-3000-ft', label: '1,001-3,000 ft', upTo_m: 3000 * FOOT_M },
  { id: '3001-6000-ft', label: '3,001-6,000 ft', upTo_m: 6000 * FOOT_M },
  { id: 'above-6000-ft', label: '6,001-10,000 ft', upTo_m: 10_000 * FOOT_M },
] as const;

export type ProcessBand = (typeof PROCESS_BANDS)[number];

/**
 * The band of the process tables for a stated altitude. Nothing else may choose the band: a
 * thermometer 1 C high or a pressure reduced to sea level would take a band off.
 *
 * @param altitude_m metres as stated by the maker, or undefined
 * @returns null when no altitude is stated, and above the top band, where no table has a time
 */
export function processBand(altitude_m: number | undefined): ProcessBand | null {
  if (altitude_m === undefined) return null;
  return PROCESS_BANDS.find((band) => altitude_m <= band.upTo_m) ?? null;
}

/** Whether no table has a time for a stated altitude. */
export const isAboveTheTables = (altitude_m: number | undefined): boolean =>
  altitude_m !== undefined && processBand(altitude_m) === null;
