import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { LotView } from '@idle-kettle/contract';
import {
  firstFruit,
  findSheet,
  labelContent,
  LABEL_SHEETS,
  type LabelSheet,
  type UnitSystem,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useLotsOf } from '../../data/shelf.js';
import { fileName } from '../../ui/file-name.js';
import { fruitColour } from '../../ui/fruit-colour.js';
import { usePreferences } from '../../ui/preferences.js';
import { jarName, partWords } from '../../ui/jar-picture.js';
import { Empty } from '../../ui/page.js';
import { saveFile } from '../../ui/save-file.js';
import { DESIGNS, type Design, type Part } from './layout.js';
import type { LabelRun } from './pdf.js';
import { anObject, browserStore } from '../../data/browser-store.js';

const Preview = lazy(() => import('./preview.js'));

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
/** Ounces in a gram. */
const OZ = 1 / 28.349523125;
const KEPT_WORDS: Readonly<Record<LotView['keeping']['verdict'], string>> = {
  shelf: 'for the shelf',
  freezer: 'frozen',
  fridge: 'for the fridge',
  stop: 'not to be kept',
};

function netWords(net_g: number, units: UnitSystem): string {
  const ounces = `${(net_g * OZ).toFixed(1)} oz`;
  return units === 'us' ? `Net about ${ounces} (${net_g} g)` : `Net about ${net_g} g (${ounces})`;
}
const CHOICE = 'kettle.labels';

interface Choice {
  readonly sheet: string;
  readonly design: Design;
  readonly ingredients: boolean;
  readonly code: boolean;
}

const USUAL_CHOICE: Choice = {
  sheet: LABEL_SHEETS[0].id,
  design: 'band',
  ingredients: true,
  code: true,
};
const lastChoice = browserStore<Choice>({
  key: CHOICE,
  parse: (json) => ({ ...USUAL_CHOICE, ...anObject<Partial<Choice>>(json) }),
  otherwise: () => USUAL_CHOICE,
});

interface RunOfLot extends LabelRun {
  readonly lot: LotView;
}

const isCount = (text: string): boolean => /^\d{1,3}$/.test(text);
const day = (iso: string): string => format(parseISO(iso), 'd MMM yyyy').replaceAll(' ', '\u00a0');

/** What stands on the label of each lot; a lot that must not be kept has none. */
function useRuns(
  lots: readonly LotView[],
  choice: Choice,
  countOf: (lot: LotView) => string,
): RunOfLot[] {
  const { id, document, formula, balance, boil } = useBatch();
  const { units } = usePreferences();
  return lots.flatMap((lot) => {
    const { verdict, bestBefore } = lot.keeping;
    const net_g = boil.jarred.find((jar) => jar.size === lot.size)?.net_g;
    const content = labelContent(formula, balance, {
      ...lot,
      verdict,
      bestBefore,
      ...(net_g !== undefined && { net_g }),
    });
    if (!content) return [];
    const count = countOf(lot);
    return {
      lot,
      words: {
        title: document.title,
        dates: `Made ${day(content.madeOn)} · best before ${day(content.bestBefore)} · lot ${content.lot}`,
        net: content.net_g === undefined ? jarName(lot.size, 1) : netWords(content.net_g, units),
        content,
        withIngredients: choice.ingredients,
        withCode: choice.code,
      },
      url: `${location.origin}/batches/${id}/shelf`,
      colour: fruitColour(firstFruit(document), 'day'),
      count: isCount(count) ? Number(count) : 0,
    };
  });
}

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

/**
 * Labels for the jars of this batch: what they say follows from how it was made, and the preview is
 * the file itself.
 */
export function Labels() {
  const { id, document } = useBatch();
  const lots = useLotsOf(id).lots.filter((lot) => lot.count > 0 && lot.keptIn !== 'opened');
  const choice = lastChoice.use();
  const [first, setFirst] = useState('1');
  const [counts, setCounts] = useState<Readonly<Record<string, string>>>({});
  const sheet = findSheet(choice.sheet) ?? LABEL_SHEETS[0];
  const each = sheet.columns * sheet.rows;
  const start =
    isCount(first) && Number(first) >= 1 && Number(first) <= each ? Number(first) - 1 : undefined;
  const countOf = (lot: LotView): string => counts[lot.id] ?? String(lot.count);
  const runs = useRuns(lots, choice, countOf);
  const made = useLabelFile(runs, sheet, choice.design, start);
  if (lots.length === 0) return <NoJars />;
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
      <section aria-label="What to print" className="panel flex flex-col gap-3 p-4">
        <h2 className="text-xl">Labels</h2>
        <SheetAndDesign choice={choice} />
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
        {runs.map(({ lot }) => (
          <HowMany
            key={lot.id}
            lot={lot}
            count={countOf(lot)}
            onCount={(text) => setCounts({ ...counts, [lot.id]: text })}
          />
        ))}
        <WhatElse choice={choice} />
        <Troubles lots={lots} runs={runs} made={made} />
        <button
          type="button"
          className="btn btn-primary h-14 text-lg"
          disabled={!made.data || made.isPlaceholderData || isTooSmall(made)}
          onClick={() =>
            made.data &&
            saveFile(
              `${fileName(document.title)}-labels.pdf`,
              'application/pdf',
              made.data.bytes.slice(),
            )
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

function NoJars() {
  return (
    <Empty
      title="No jars to label"
      action={
        <Link to="../jar" className="btn btn-primary">
          To the jars
        </Link>
      }
    >
      Labels are for jars that were counted and put on the shelf.
    </Empty>
  );
}

const choose = (choice: Choice, change: Partial<Choice>): void =>
  lastChoice.set({ ...choice, ...change });

function SheetAndDesign({ choice }: { readonly choice: Choice }) {
  return (
    <>
      <label className="flex flex-col gap-1 text-sm text-soft">
        sheet or roll
        <select
          className="select w-full text-base-content"
          value={(findSheet(choice.sheet) ?? LABEL_SHEETS[0]).id}
          onChange={(event) => choose(choice, { sheet: event.target.value })}
        >
          {LABEL_SHEETS.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
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

function HowMany({ lot, count, onCount }: HowManyProps) {
  return (
    <label className="flex items-center gap-3">
      <input
        inputMode="numeric"
        aria-label={`How many labels for the ${jarName(lot.size, 2)}${lot.partFill === null ? '' : ', part jar'}`}
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

function WhatElse({ choice }: { readonly choice: Choice }) {
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
            No label for the {jarName(lot.size, 2)}:{' '}
            {lot.keeping.reason === 'not yet sent to the server'
              ? 'they are not yet sent to the server'
              : `not to be kept, ${lot.keeping.reason}`}
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
