import { useQuery } from '@tanstack/react-query';
import { Suspense, useState, type ReactNode } from 'react';
import type { LotView } from '@idle-kettle/contract';
import { sheetName, sheetsFor, type LabelSheet, type UnitSystem } from '@idle-kettle/core';
import { fetchedPart } from '../../ui/fetched-part.js';
import { jarName, partWords } from '../../ui/jar-picture.js';
import { usePreferences } from '../../ui/preferences.js';
import { saveFile } from '../../ui/save-file.js';
import { chosenSheet, labelChoice, type LabelChoice } from './label-choice.js';
import { isCount, type RunOfLot } from './label-run.js';
import { DESIGNS, type Design, type Part } from './layout.js';

const Preview = fetchedPart(() => import('./preview.js'));

const DESIGN_WORDS: Readonly<Record<Design, string>> = {
  band: 'a band of the fruit’s colour',
  frame: 'a frame of it',
  plain: 'words only',
};
const PART_WORDS: Readonly<Record<Part, string>> = {
  dates: 'the dates',
  net: 'the net amount',
  storage: 'how to keep it, and allergens',
  shares: 'fruit and sugar in 100 g',
  ingredients: 'the ingredients',
  licence: 'the line on selling',
  code: 'the code',
};
const KEPT_WORDS: Readonly<Record<LotView['keeping']['verdict'], string>> = {
  shelf: 'for the shelf',
  freezer: 'frozen',
  fridge: 'refrigerated',
  stop: 'throw away, do not taste',
};

/** The file of the labels, drawn anew when anything of it changes. */
function useLabelFile(
  runs: readonly RunOfLot[],
  sheet: LabelSheet,
  design: Design,
  start: number | undefined,
) {
  return useQuery({
    queryKey: [
      'labels',
      sheet.id,
      design,
      start,
      runs.map(({ words, count, colour, url }) => ({ words, count, colour, url })),
    ],
    queryFn: async () => (await import('./pdf.js')).labelsPdf(runs, sheet, design, start ?? 0),
    enabled: start !== undefined && runs.some(({ count }) => count > 0),
    staleTime: Infinity,
    gcTime: 10_000,
    placeholderData: (before) => before,
    retry: false,
  });
}
type LabelFile = ReturnType<typeof useLabelFile>;

const isTooSmall = ({ data }: LabelFile): boolean =>
  data?.layouts.some((layout) => layout === undefined) === true;

interface PrintLabelsProps {
  readonly lots: readonly LotView[];
  readonly runs: readonly RunOfLot[];
  /** What the file is called, without its ending. */
  readonly file: string;
  /** Which jars, and how many labels of each. */
  readonly children: ReactNode;
}

/** Sheet, design and what stands on them beside the file itself, as it will be printed. */
export function PrintLabels({ lots, runs, file, children }: PrintLabelsProps) {
  const { units } = usePreferences();
  const choice = labelChoice.use();
  const [first, setFirst] = useState('1');
  const sheet = chosenSheet(choice, units);
  const each = sheet.columns * sheet.rows;
  const start =
    isCount(first) && Number(first) >= 1 && Number(first) <= each ? Number(first) - 1 : undefined;
  const made = useLabelFile(runs, sheet, choice.design, start);
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
      <section aria-label="What to print" className="panel flex flex-col gap-3 p-4">
        <h2 className="text-xl">Labels</h2>
        {children}
        <SheetAndDesign choice={choice} sheet={sheet} units={units} />
        {each > 1 && (
          <label className="flex flex-col gap-1 text-sm text-soft">
            first free label of the sheet
            <input
              inputMode="numeric"
              className={`input w-24 text-base-content ${start === undefined ? 'input-error' : ''}`}
              aria-invalid={start === undefined}
              value={first}
              onChange={(event) => setFirst(event.target.value)}
            />
            {start === undefined && <span className="text-bad">write 1 to {each}</span>}
          </label>
        )}
        <WhatElse choice={choice} />
        <Troubles lots={lots} runs={runs} made={made} />
        <button
          type="button"
          className="btn btn-primary h-14 text-lg"
          disabled={!made.data || made.isPlaceholderData || isTooSmall(made)}
          onClick={() =>
            made.data && saveFile(`${file}.pdf`, 'application/pdf', made.data.bytes.slice())
          }
        >
          Save the PDF
        </button>
        <p className="text-sm text-soft">
          Print it at 100 %, not fitted to the page. Try plain paper against the sheet first.
        </p>
        <p className="text-sm text-soft">
          Selling food made at home needs the local home-food licence.
        </p>
      </section>
      <section aria-label="Preview" className="panel p-4">
        <h2 className="mb-2 text-xl">As it will be printed</h2>
        {made.data ? (
          <Suspense fallback={<p className="text-soft">Opening it…</p>}>
            <Preview bytes={made.data.bytes} pages={made.data.pages} />
          </Suspense>
        ) : (
          <p className="text-soft">
            {start === undefined || runs.every(({ count }) => count === 0)
              ? 'Nothing to print yet.'
              : 'Drawing them…'}
          </p>
        )}
      </section>
    </div>
  );
}

const choose = (choice: LabelChoice, change: Partial<LabelChoice>): void =>
  labelChoice.set({ ...choice, ...change });

interface SheetAndDesignProps {
  readonly choice: LabelChoice;
  readonly sheet: LabelSheet;
  readonly units: UnitSystem;
}

function SheetAndDesign({ choice, sheet, units }: SheetAndDesignProps) {
  return (
    <>
      <label className="flex flex-col gap-1 text-sm text-soft">
        sheet or roll
        <select
          className="select w-full text-base-content"
          value={sheet.id}
          onChange={(event) => choose(choice, { sheet: event.target.value })}
        >
          {sheetsFor(units).map((each) => (
            <option key={each.id} value={each.id}>
              {sheetName(each, units)}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col gap-1 text-sm text-soft">
        design
        <select
          className="select w-full text-base-content"
          value={choice.design}
          onChange={(event) => choose(choice, { design: event.target.value as Design })}
        >
          {DESIGNS.map((design) => (
            <option key={design} value={design}>
              {DESIGN_WORDS[design]}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

interface HowManyProps {
  readonly lot: LotView;
  readonly count: string;
  readonly onCount: (text: string) => void;
}

/** How many labels a lot gets. */
export function HowMany({ lot, count, onCount }: HowManyProps) {
  return (
    <label className="flex items-center gap-3">
      <input
        inputMode="numeric"
        aria-label={`How many labels for the ${jarName(lot.size, 2)} of ${lot.title}${lot.partFill === null ? '' : ', part jar'}`}
        className={`input w-20 ${isCount(count) ? '' : 'input-error'}`}
        value={count}
        onChange={(event) => onCount(event.target.value)}
      />
      <span>
        {jarName(lot.size, 2)}
        {lot.partFill !== null && `, ${partWords(lot.partFill)}`}
        <span className="block text-sm text-soft">{KEPT_WORDS[lot.keeping.verdict]}</span>
      </span>
    </label>
  );
}

function WhatElse({ choice }: { readonly choice: LabelChoice }) {
  return (
    <>
      <label className="flex min-h-[44px] items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={choice.ingredients}
          onChange={(event) => choose(choice, { ingredients: event.target.checked })}
        />{' '}
        Ingredients, allergens in capitals
      </label>
      <label className="flex min-h-[44px] items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={choice.code}
          onChange={(event) => choose(choice, { code: event.target.checked })}
        />{' '}
        A code that opens this batch
      </label>
    </>
  );
}

interface TroublesProps {
  readonly lots: readonly LotView[];
  readonly runs: readonly RunOfLot[];
  readonly made: LabelFile;
}

/** Jars that get no label and why, and what does not fit on one. */
function Troubles({ lots, runs, made }: TroublesProps) {
  const dropped = [...new Set(made.data?.layouts.flatMap((layout) => layout?.dropped ?? []) ?? [])];
  return (
    <>
      {lots
        .filter((lot) => !runs.some((run) => run.lot.id === lot.id))
        .map((lot) => (
          <p key={lot.id} role="alert" className="text-bad">
            No label for the {jarName(lot.size, 2)} of {lot.title}:{' '}
            {lot.keeping.reason === 'not yet sent to the server'
              ? 'they are not yet sent to the server'
              : `throw away, do not taste: ${lot.keeping.reason}`}
            .
          </p>
        ))}
      {isTooSmall(made) && (
        <p role="alert" className="text-bad">
          This label is too small for what has to stand on it: take a larger one.
        </p>
      )}
      {runs.some(({ lot }) => lot.seals.state === 'unknown' || lot.seals.state === 'due') && (
        <p className="text-watch">
          The lids of these jars are not pressed yet: a jar that has not sealed must not carry a
          shelf label.
        </p>
      )}
      {dropped.length > 0 && (
        <p className="text-watch">
          No room on this label for {dropped.map((part) => PART_WORDS[part]).join(', ')}.
        </p>
      )}
      {made.isError && (
        <p role="alert" className="text-bad">
          The labels could not be drawn. Reload the page and try once more.
        </p>
      )}
    </>
  );
}
