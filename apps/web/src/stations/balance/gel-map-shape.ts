import { contours } from 'd3-contour';
import { FIRMNESS_BANDS, highMethoxylFirmness } from '@idle-kettle/core';

/** The picture, in its own units: the plot leaves room at the left and below for its figures. */
export const WIDTH = 380;
export const HEIGHT = 270;
export const LEFT = 40;
export const BOTTOM = 34;
/** Soluble solids across, per cent, and pH down. */
const SOLIDS = [50, 75] as const;
const PH = [2.6, 4.0] as const;
/** Cells of the grid the shading is computed on. */
const COLUMNS = 60;
const ROWS = 40;

/** Where a band begins, its word, and how strongly it is tinted. */
export const BANDS = [
  { from: FIRMNESS_BANDS.none, word: 'soft', tint: 0.18 },
  { from: FIRMNESS_BANDS.soft, word: 'medium', tint: 0.4 },
  { from: FIRMNESS_BANDS.good, word: 'firm', tint: 0.62 },
  { from: FIRMNESS_BANDS.firm, word: 'stiff', tint: 0.85 },
] as const;

export const x = (solids: number): number =>
  LEFT +
  ((Math.min(Math.max(solids, SOLIDS[0]), SOLIDS[1]) - SOLIDS[0]) / (SOLIDS[1] - SOLIDS[0])) *
    (WIDTH - LEFT);
/** Sharper is upward. */
export const y = (pH: number): number =>
  ((Math.min(Math.max(pH, PH[0]), PH[1]) - PH[0]) / (PH[1] - PH[0])) * (HEIGHT - BOTTOM);

export interface Point {
  readonly solids: number;
  readonly pH: number;
}

/** Firmness over solids and pH for the pectin of this pot, which thickens with it as water goes. */
export function shading(
  pectinPercent: number,
  solidsPercent: number,
): { word: string; tint: number; path: string }[] {
  const values: number[] = [];
  for (let row = 0; row < ROWS; row++)
    for (let column = 0; column < COLUMNS; column++) {
      const solids = SOLIDS[0] + ((column + 0.5) / COLUMNS) * (SOLIDS[1] - SOLIDS[0]);
      const pH = PH[0] + ((row + 0.5) / ROWS) * (PH[1] - PH[0]);
      values.push(
        highMethoxylFirmness({
          solidsPercent: solids,
          pH,
          pectinPercent: (pectinPercent * solids) / solidsPercent,
        }),
      );
    }
  const shapes = contours()
    .size([COLUMNS, ROWS])
    .thresholds(BANDS.map(({ from }) => from))(values);
  return shapes.map(({ coordinates }, i) => ({
    word: BANDS[i]?.word ?? '',
    tint: BANDS[i]?.tint ?? 0,
    path: coordinates
      .flat()
      .map(
        (ring) =>
          `M${ring
            .map(
              ([column = 0, row = 0]) =>
                `${(LEFT + (column / COLUMNS) * (WIDTH - LEFT)).toFixed(1)} ${((row / ROWS) * (HEIGHT - BOTTOM)).toFixed(1)}`,
            )
            .join('L')}Z`,
      )
      .join(''),
  }));
}
