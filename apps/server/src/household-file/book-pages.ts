import { format } from 'date-fns/format';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import {
  FILLED_STORAGE_SAID,
  findJar,
  formatTemperature,
  formatVolume,
  ingredientTexts,
  outcomeRows,
  SET_WORDS,
  type BatchOutcome,
  type UnitSystem,
} from '@idle-kettle/core';
import {
  DATE_PATTERNS,
  type DateStyle,
  type FormulaBody,
  type LotView,
  type TemperatureUnit,
} from '@idle-kettle/contract';

/** A batch as the book tells it. */
export interface BookBatch {
  readonly document: FormulaBody;
  /** When it was done, or laid out where it is not. */
  readonly on: Date;
  readonly outcome: BatchOutcome;
}

export interface Book {
  /** When it was written. */
  readonly on: Date;
  readonly units: UnitSystem;
  readonly temperatureUnit: TemperatureUnit;
  readonly dates: DateStyle;
  /** The jars that are there, in the order of the shelf. */
  readonly lots: readonly LotView[];
  /** The oldest first. */
  readonly batches: readonly BookBatch[];
}

const INK = '#2b1b26';
const SOFT = '#6d5a62';
const LINE = '#dfd2bc';
const NOTHING = '–';
/** A batch of which less is said stays on one page. */
const MOST_TOGETHER = 20;
/** Letters the other file of the face has: Latin beyond the west. */
const OTHERS = /[\u0100-\u024f\u1e00-\u1eff]+/g;
const THIN = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => LINE,
  paddingLeft: () => 0,
  paddingRight: () => 10,
};

/** A text in runs of one face file each. */
export function inRuns(text: string): { text: string; font?: 'Others' }[] {
  const runs: { text: string; font?: 'Others' }[] = [];
  let from = 0;
  for (const { 0: others, index } of text.matchAll(OTHERS)) {
    if (index > from) runs.push({ text: text.slice(from, index) });
    runs.push({ text: others, font: 'Others' });
    from = index + others.length;
  }
  return from < text.length || runs.length === 0 ? [...runs, { text: text.slice(from) }] : runs;
}

const words = (text: string, more: object = {}): Content => ({ text: inRuns(text), ...more });
const day = (iso: string | Date, dates: DateStyle): string =>
  format(new Date(iso), DATE_PATTERNS[dates].day);
const jarName = (size: string, count: number): string =>
  findJar(size)?.name[count === 1 ? 0 : 1] ?? size;
const kindName = (kind: string): string => kind.replace('-', ' ');

function shelf({ lots, dates }: Book): Content[] {
  if (lots.length === 0) return [words('No jars on the shelf.', { color: SOFT })];
  const rows = lots.map(({ title, count, size, place, keptIn, keeping, madeOn }) => [
    words(title),
    words(`${count} × ${jarName(size, count)}`),
    words(keptIn ?? (place === '' ? NOTHING : place)),
    words(day(madeOn, dates)),
    words(FILLED_STORAGE_SAID[keeping.verdict]),
    words(keeping.bestBefore === null ? NOTHING : day(keeping.bestBefore, dates)),
  ]);
  const head = ['what', 'jars', 'where', 'made', 'storage', 'best before'].map((text) => ({
    text,
    color: SOFT,
    fontSize: 9,
  }));
  return [
    {
      table: {
        headerRows: 1,
        widths: ['*', 'auto', 'auto', 'auto', 'auto', 'auto'],
        body: [head, ...rows],
      },
      layout: THIN,
    },
  ];
}

/** What was planned and what happened, line by line; what neither is known of is left out. */
export const bookRows = (
  outcome: BatchOutcome,
  { units, temperatureUnit }: Pick<Book, 'units' | 'temperatureUnit'>,
): [string, string, string][] =>
  outcomeRows(outcome, {
    temperature: (value) => formatTemperature(value, temperatureUnit),
    volume: (value) => formatVolume(value, units),
  })
    .filter(({ planned, happened }) => planned !== undefined || happened !== undefined)
    .map(({ name, planned = NOTHING, happened = NOTHING }) => [name, planned, happened]);

function batch({ document, on, outcome }: BookBatch, book: Book): Content {
  const { tests, notes, score, shows } = outcome;
  const said = [
    ...tests.map(({ way, verdict }) => `${way} test: ${verdict}`),
    ...notes.map(({ text }) => text),
    ...(score ? [`opened: set ${SET_WORDS[score.set + 2] ?? ''}, taste ${score.taste} of 5`] : []),
    ...shows.map(({ show, class: of, result }) => `${show}, ${of}: ${result}`),
  ];
  const rows = bookRows(outcome, book).map((row) =>
    row.map((text, i) => words(text, i === 0 ? { color: SOFT } : {})),
  );
  const head = ['', 'forecast', 'actual'].map((text) => ({ text, color: SOFT, fontSize: 9 }));
  return {
    margin: [0, 14, 0, 0],
    unbreakable: said.length < MOST_TOGETHER,
    stack: [
      {
        stack: [
          words(document.title === '' ? 'Unnamed batch' : document.title, { style: 'title' }),
          words(`${kindName(document.kind)}, ${day(on, book.dates)}`, {
            color: SOFT,
            margin: [0, 0, 0, 4],
          }),
        ],
      },
      {
        columnGap: 24,
        columns: [
          { width: '42%', ul: ingredientTexts(document).map((text) => words(text)) },
          {
            width: '*',
            stack: [
              ...(rows.length > 0
                ? [
                    {
                      table: { widths: ['auto', '*', 'auto'], body: [head, ...rows] },
                      layout: THIN,
                    },
                  ]
                : []),
              ...said.map((text) => words(text, { margin: [0, 3, 0, 0] })),
            ],
          },
        ],
      },
    ],
  };
}

/** The household's book: what is on the shelf, and every batch as it went. */
export function bookPages(book: Book): TDocumentDefinitions {
  return {
    info: { title: 'The household’s book' },
    pageSize: book.units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [48, 52, 48, 52],
    defaultStyle: { font: 'Text', fontSize: 10, color: INK },
    styles: {
      head: { font: 'Display', fontSize: 22, bold: false },
      part: { font: 'Display', fontSize: 16, margin: [0, 18, 0, 6] },
      title: { font: 'Display', fontSize: 13 },
    },
    footer: (page, of) => ({
      text: `${page} of ${of}`,
      alignment: 'center',
      color: SOFT,
      fontSize: 9,
      margin: [0, 16, 0, 0],
    }),
    content: [
      words('The household’s book', { style: 'head' }),
      words(
        `written ${day(book.on, book.dates)}. Not tested recipes: your extension service or food authority has the last word.`,
        { color: SOFT },
      ),
      words('On the shelf', { style: 'part' }),
      ...shelf(book),
      words('Batches', { style: 'part' }),
      ...(book.batches.length > 0
        ? book.batches.map((each) => batch(each, book))
        : [words('None yet.', { color: SOFT })]),
    ],
  };
}
