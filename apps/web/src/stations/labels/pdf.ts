import fontkit from '@pdf-lib/fontkit';
import displayExt from '@fontsource/fraunces/files/fraunces-latin-ext-600-normal.woff?url';
import display from '@fontsource/fraunces/files/fraunces-latin-600-normal.woff?url';
import textExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url';
import text from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import boldExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import { PDFDocument, rgb, type PDFFont, type PDFPage, type RGB } from 'pdf-lib';
import { create } from 'qrcode';
import { cellAt, type LabelSheet } from '@idle-kettle/core';
import {
  BAND,
  layOutLabel,
  PT_PER_MM,
  type Design,
  type Face,
  type LabelLayout,
  type LabelWords,
} from './layout.js';

/** A face in its two files: letters of the west, and the others of the Latin alphabet. */
interface Letters {
  readonly usual: PDFFont;
  readonly others: PDFFont;
  readonly has: (letter: string) => 'usual' | 'others' | undefined;
}

const INK = rgb(0.16, 0.11, 0.14);

const files = {
  display: [display, displayExt],
  text: [text, textExt],
  bold: [bold, boldExt],
} as const;

async function bytesOf(url: string): Promise<Uint8Array> {
  return new Uint8Array(await (await fetch(url)).arrayBuffer());
}

async function lettersOf(pdf: PDFDocument, face: Face): Promise<Letters> {
  const [usual, others] = await Promise.all(files[face].map(bytesOf));
  if (!usual || !others) throw new Error(`no letters for ${face}`);
  const has = [fontkit.create(usual), fontkit.create(others)].map(
    (font) => (letter: string) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0),
  );
  return {
    usual: await pdf.embedFont(usual, { subset: true }),
    others: await pdf.embedFont(others, { subset: true }),
    has: (letter) => {
      if (has[0]?.(letter)) return 'usual';
      return has[1]?.(letter) ? 'others' : undefined;
    },
  };
}

/** A text in runs of one file each; a letter that neither has becomes a question mark. */
function runs(words: string, letters: Letters): { font: PDFFont; text: string }[] {
  const found: { font: PDFFont; text: string }[] = [];
  for (const letter of words) {
    const where = letters.has(letter);
    const font = where === 'others' ? letters.others : letters.usual;
    const shown = where === undefined ? '?' : letter;
    const last = found.at(-1);
    if (last?.font === font) last.text += shown;
    else found.push({ font, text: shown });
  }
  return found;
}

/** A label to print: what it says, in which colour, and how often. */
export interface LabelRun {
  readonly words: LabelWords;
  /** What its code opens. */
  readonly url: string;
  /** "#5b2a55". */
  readonly colour: string;
  readonly count: number;
}

export interface LabelsPdf {
  readonly bytes: Uint8Array;
  readonly pages: number;
  /** What had no room on the labels of each run; undefined where not even what is needed had. */
  readonly layouts: readonly (LabelLayout | undefined)[];
}

const colourOf = (hex: string): RGB =>
  rgb(
    parseInt(hex.slice(1, 3), 16) / 255,
    parseInt(hex.slice(3, 5), 16) / 255,
    parseInt(hex.slice(5, 7), 16) / 255,
  );

/**
 * Labels as a PDF of the sheet's own size: print it at 100 %, not fitted to the page.
 *
 * @param first 0 and up: cells of the first sheet that are used already
 */
export async function labelsPdf(
  labels: readonly LabelRun[],
  sheet: LabelSheet,
  design: Design,
  first: number,
): Promise<LabelsPdf> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  const faces: Readonly<Record<Face, Letters>> = {
    display: await lettersOf(pdf, 'display'),
    text: await lettersOf(pdf, 'text'),
    bold: await lettersOf(pdf, 'bold'),
  };
  // A layout asks for the same words at many sizes; laying letters out is slow, and grows with the
  // size evenly.
  const widths = new Map<string, number>();
  const measure = (words: string, size: number, face: Face): number => {
    const key = `${face} ${words}`;
    const width =
      widths.get(key) ??
      runs(words, faces[face]).reduce(
        (sum, run) => sum + run.font.widthOfTextAtSize(run.text, 1),
        0,
      );
    widths.set(key, width);
    return width * size;
  };
  const layouts = labels.map(({ words }) => layOutLabel(words, sheet.cell, design, measure));
  const height = sheet.page.height * PT_PER_MM;
  const pages: PDFPage[] = [];
  let index = first;
  for (const [i, { count, colour, url }] of labels.entries()) {
    const layout = layouts[i];
    if (!layout) continue;
    for (let n = 0; n < count; n++, index++) {
      const cell = cellAt(sheet, index);
      while (pages.length <= cell.page)
        pages.push(pdf.addPage([sheet.page.width * PT_PER_MM, height]));
      const page = pages[cell.page];
      if (!page) continue;
      const [x, top] = [cell.x * PT_PER_MM, height - cell.y * PT_PER_MM];
      drawDesign(
        page,
        design,
        colourOf(colour),
        x,
        top,
        sheet.cell.width * PT_PER_MM,
        sheet.cell.height * PT_PER_MM,
      );
      for (const item of layout.texts) {
        let at = x + item.x;
        for (const run of runs(item.text, faces[item.face])) {
          page.drawText(run.text, {
            x: at,
            y: top - item.y,
            size: item.size,
            font: run.font,
            color: INK,
          });
          at += run.font.widthOfTextAtSize(run.text, item.size);
        }
      }
      if (layout.code)
        drawCode(page, url, x + layout.code.x, top - layout.code.y, layout.code.width);
    }
  }
  if (pages.length === 0) pdf.addPage([sheet.page.width * PT_PER_MM, height]);
  pdf.setTitle('Labels');
  return { bytes: await pdf.save(), pages: Math.max(pages.length, 1), layouts };
}

function drawDesign(
  page: PDFPage,
  design: Design,
  color: RGB,
  x: number,
  top: number,
  width: number,
  height: number,
): void {
  if (design === 'band')
    page.drawRectangle({
      x: x + 2,
      y: top - height + 2,
      width: BAND - 2,
      height: height - 4,
      color,
    });
  if (design === 'frame') {
    page.drawRectangle({
      x: x + 3,
      y: top - height + 3,
      width: width - 6,
      height: height - 6,
      borderColor: color,
      borderWidth: 1.6,
    });
    const inner = 3 + 2.6;
    page.drawRectangle({
      x: x + inner,
      y: top - height + inner,
      width: width - 2 * inner,
      height: height - 2 * inner,
      borderColor: color,
      borderWidth: 0.5,
    });
  }
}

/** Modules left white around a code: ISO/IEC 18004, from memory. */
const QUIET = 4;

/** A QR code, black on the paper, with its quiet edge inside its box. */
function drawCode(page: PDFPage, url: string, x: number, top: number, side: number): void {
  const { modules } = create(url, { errorCorrectionLevel: 'M' });
  const module = side / (modules.size + 2 * QUIET);
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size;) {
      let length = 0;
      while (column + length < modules.size && modules.get(row, column + length)) length += 1;
      if (length > 0)
        page.drawRectangle({
          x: x + (column + QUIET) * module,
          y: top - (row + 1 + QUIET) * module,
          width: length * module,
          height: module,
          color: rgb(0, 0, 0),
        });
      column += Math.max(length, 1);
    }
}
