import { INCH_MM, type UnitSystem } from '../quantity/index.js';

/**
 * Labels on a sheet, or one after the other on a roll: all in millimetres from the top left corner.
 */
export interface LabelSheet {
  readonly id: string;
  readonly paper: 'a4' | 'letter' | 'roll';
  /** In millimetres for A4, in inches for Letter, as they are sold. */
  readonly name: string;
  readonly page: { readonly width: number; readonly height: number };
  readonly cell: { readonly width: number; readonly height: number };
  readonly columns: number;
  readonly rows: number;
  readonly left: number;
  readonly top: number;
  /** From one label's edge to the next one's. */
  readonly gap: { readonly across: number; readonly down: number };
}

/** ISO 216 A4 and ANSI/ASME Y14.1 A, mm. */
const PAPERS = {
  a4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
} as const;

const grid = (
  id: string,
  name: string,
  paper: LabelSheet['paper'],
  columns: number,
  rows: number,
  width: number,
  height: number,
  across: number,
  down: number,
): LabelSheet => {
  // A roll has no page but the label.
  const page = paper === 'roll' ? { width, height } : PAPERS[paper];
  return {
    id,
    paper,
    name,
    page,
    cell: { width, height },
    columns,
    rows,
    left: (page.width - columns * width - (columns - 1) * across) / 2,
    top: (page.height - rows * height - (rows - 1) * down) / 2,
    gap: { across, down },
  };
};

const roll = (width: number, height: number): LabelSheet =>
  grid(
    `roll-${width}x${height}`,
    `roll, ${width} × ${height} mm`,
    'roll',
    1,
    1,
    width,
    height,
    0,
    0,
  );

/**
 * Sheets and rolls as they are commonly sold. Common practice, no source: measure a sheet before
 * printing many.
 */
export const LABEL_SHEETS: readonly [LabelSheet, ...LabelSheet[]] = [
  grid('a4-21', 'A4, 21 labels of 63.5 × 38.1 mm', 'a4', 3, 7, 63.5, 38.1, 2.5, 0),
  grid('a4-14', 'A4, 14 labels of 99.1 × 38.1 mm', 'a4', 2, 7, 99.1, 38.1, 2.5, 0),
  grid('a4-8', 'A4, 8 labels of 99.1 × 67.7 mm', 'a4', 2, 4, 99.1, 67.7, 2.5, 0),
  grid('a4-24', 'A4, 24 labels of 70 × 37 mm, edge to edge', 'a4', 3, 8, 70, 37, 0, 0),
  grid('letter-30', 'Letter, 30 labels of 2 5/8 × 1 in', 'letter', 3, 10, 66.675, 25.4, 3.175, 0),
  grid('letter-10', 'Letter, 10 labels of 4 × 2 in', 'letter', 2, 5, 101.6, 50.8, 4.775, 0),
  roll(62, 29),
  roll(57, 32),
  roll(62, 40),
];

/** Sheets in the order a household meets them: its own paper first. */
export function sheetsFor(units: UnitSystem): readonly [LabelSheet, ...LabelSheet[]] {
  const own = units === 'us' ? 'letter' : 'a4';
  const [first = LABEL_SHEETS[0], ...rest] = LABEL_SHEETS.filter(({ paper }) => paper === own);
  return [first, ...rest, ...LABEL_SHEETS.filter(({ paper }) => paper !== own)];
}

/** The name of a sheet; a roll, which is sold by either measure, in the household's own. */
export function sheetName({ paper, name, cell }: LabelSheet, units: UnitSystem): string {
  if (paper !== 'roll' || units === 'metric') return name;
  const inches = (mm: number): string => (mm / INCH_MM).toFixed(1);
  return `roll, ${inches(cell.width)} × ${inches(cell.height)} in`;
}

export const findSheet = (id: string): LabelSheet | undefined =>
  LABEL_SHEETS.find((sheet) => sheet.id === id);

/**
 * Where a label lies on its sheet.
 *
 * @param index 0 and up, row by row; what does not fit on the first page goes on the next
 */
export function cellAt(
  sheet: LabelSheet,
  index: number,
): { readonly page: number; readonly x: number; readonly y: number } {
  const each = sheet.columns * sheet.rows;
  const [column, row] = [index % sheet.columns, Math.floor((index % each) / sheet.columns)];
  return {
    page: Math.floor(index / each),
    x: sheet.left + column * (sheet.cell.width + sheet.gap.across),
    y: sheet.top + row * (sheet.cell.height + sheet.gap.down),
  };
}
