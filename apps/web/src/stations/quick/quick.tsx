import { Check, TriangleAlert } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import {
  auditImport,
  computeFormula,
  jarWords,
  LARGEST_IMPORT,
  MEASURES,
  type Correction,
  type Corrections,
  type FormulaDocument,
  type Imported,
  type Measures,
  type Place,
} from '@idle-kettle/core';
import type { FoodNameBody, FormulaBody, FormulaView } from '@idle-kettle/contract';
import { useNewBatch } from '../../batch/new-batch.js';
import { STORAGE_WORDS } from '../../batch/readouts.js';
import { useRemedies } from '../../batch/use-remedies.js';
import { KIND_WORDS, METHOD_WORDS, stopWords } from '../../batch/words.js';
import { request } from '../../data/api.js';
import { keys, queryClient } from '../../data/queries.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { Notice } from '../../ui/notice.js';
import { Page } from '../../ui/page.js';
import { metresIn } from '../../ui/metres-in.js';
import { sentence } from '../../ui/sentence.js';
import { MEASURES_WORDS } from '../../ui/measures-words.js';
import { ReadLines } from './read-lines.js';
import { rememberFoodName } from './remember-food-name.js';
import { useImported } from './use-imported.js';
import { newId } from '../../data/ids.js';

const EXAMPLE = `2.4 kg damsons, pitted
300 ml water
2.2 kg sugar
2 tbsp bottled lemon juice`;

/**
 * A few lines and the altitude; the answer without a batch or saving. Whole recipes are brought in
 * here too.
 */
export function Quick() {
  const { kitchen, units, measures: usual, foodNames } = usePreferences();
  const formats = useFormats();
  const [text, setText] = useState('');
  const [altitude, setAltitude] = useState<string>();
  const written =
    altitude ?? (kitchen.altitude_m === undefined ? '' : formats.altitude(kitchen.altitude_m));
  const metres = metresIn(written, units);
  const here = useMemo<Place>(() => {
    if (metres === undefined) return {};
    // A boiling point measured here says nothing of another height.
    return altitude === undefined ? { ...kitchen, altitude_m: metres } : { altitude_m: metres };
  }, [metres, altitude, kitchen]);
  const [corrections, setCorrections] = useState<Corrections>(new Map());
  const [measures, setMeasures] = useState<Measures>();
  const { imported, isReading } = useImported(text, {
    habit: measures && { measures },
    usual: usual && { measures: usual },
    corrections,
  });
  // Another text has other lines: what was said of the old ones does not hold for them.
  const write = (next: string): void => {
    setText(next);
    setCorrections(new Map());
  };
  const correct = (index: number, correction: Correction | undefined): void => {
    const words = imported?.ok === true ? imported.lines[index]?.unknownWords : undefined;
    if (correction?.type === 'picked' && words !== undefined)
      void rememberFoodName({ words, ingredient: correction.ingredient });
    setCorrections((before) => {
      const after = new Map(before);
      if (correction) after.set(index, correction);
      else after.delete(index);
      return after;
    });
  };
  const takeFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > LARGEST_IMPORT) {
      toast.error(`“${file.name}” is ${(file.size / 1e6).toFixed(1)} MB`, {
        description: 'A recipe is at most 2 MB; nothing was changed.',
      });
      return;
    }
    write(await file.text());
  };
  return (
    <Page
      title="Quick answer"
      lead="Type or paste a few lines, a whole recipe, a page or a file. Nothing is saved until you say so."
    >
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section aria-label="What goes in" className="panel p-4">
          <label className="flex flex-col gap-1 text-sm text-soft">
            what goes in, a line each
            <textarea
              className="textarea min-h-56 w-full text-base text-base-content"
              placeholder={EXAMPLE}
              value={text}
              onChange={(event) => write(event.target.value)}
            />
          </label>
          <div className="mt-3 flex flex-wrap items-end gap-3">
            <label className="flex flex-col gap-1 text-sm text-soft">
              altitude
              <input
                className="input w-32 text-base-content"
                placeholder="1180 m"
                value={written}
                maxLength={20}
                aria-invalid={written !== '' && metres === undefined}
                onChange={(event) => setAltitude(event.target.value)}
              />
            </label>
            <label className="btn cursor-pointer">
              Choose a file
              <input
                type="file"
                accept=".json,.txt,.md,.html,.htm,application/json,text/plain,text/html"
                className="sr-only"
                onChange={(event) => {
                  void takeFile(event.target.files?.[0]);
                  event.target.value = '';
                }}
              />
            </label>
            <MeasuresField
              found={imported?.ok === true ? imported.habit.measures : undefined}
              chosen={measures}
              onChoose={setMeasures}
            />
            {text !== '' && (
              <button type="button" className="btn btn-ghost" onClick={() => write('')}>
                Clear
              </button>
            )}
          </div>
          {written !== '' && metres === undefined && (
            <p className="mt-2 text-sm text-bad">Write a height such as “1180 m” or “3870 ft”.</p>
          )}
        </section>
        {isReading && imported === undefined && (
          <div aria-live="polite">
            <h2 className="sr-only">The answer</h2>
            <Notice title="Reading …">
              It is long: {Math.round(text.length / 1000)} thousand letters. You can go on
              meanwhile.
            </Notice>
          </div>
        )}
        {!isReading && imported === undefined && (
          <div>
            <h2 className="sr-only">The answer</h2>
            <Notice title="What you get">
              The temperature to stop at, hot jars to have ready, minutes in the canner and the one
              thing that is wrong with it.
            </Notice>
          </div>
        )}
        {imported?.ok === false && (
          <div>
            <h2 className="sr-only">The answer</h2>
            <Notice title="Not understood yet" tone="care">
              {sentence(imported.message)}
            </Notice>
          </div>
        )}
        {imported?.ok === true && (
          <Answer
            imported={imported}
            here={here}
            corrections={corrections}
            foodNames={foodNames}
            onCorrect={correct}
          />
        )}
      </div>
    </Page>
  );
}

const Figure = ({
  name,
  children,
  note,
}: {
  readonly name: string;
  readonly children: ReactNode;
  readonly note?: string | undefined;
}) => (
  <div className="border-b border-line py-3">
    <h3 className="font-sans text-sm font-normal text-soft">{name}</h3>
    <p className="display text-[26px] leading-tight">{children}</p>
    {note !== undefined && note !== '' && <p className="text-sm text-soft">{note}</p>}
  </div>
);

/** Whose measures the recipe is in: found from its words, and switched here. */
function MeasuresField({
  found,
  chosen,
  onChoose,
}: {
  readonly found: Measures | undefined;
  readonly chosen: Measures | undefined;
  readonly onChoose: (measures: Measures) => void;
}) {
  return (
    <label className="flex flex-col gap-1 text-sm text-soft">
      cups, spoons and pints
      <select
        className="select w-36 text-base-content"
        value={chosen ?? found ?? 'us'}
        onChange={(event) => onChoose(event.target.value as Measures)}
      >
        {MEASURES.map((each) => (
          <option key={each} value={each}>
            {MEASURES_WORDS[each]}
          </option>
        ))}
      </select>
    </label>
  );
}

interface AnswerProps {
  readonly imported: Imported & { ok: true };
  readonly here: Place;
  readonly corrections: Corrections;
  readonly foodNames: readonly FoodNameBody[];
  readonly onCorrect: (index: number, correction: Correction | undefined) => void;
}

function Answer({ imported, here, corrections, foodNames, onCorrect }: AnswerProps) {
  const { document, lines, statedMinutes, statedStop_C, notes, otherFood } = imported;
  const formats = useFormats();
  const { units } = usePreferences();
  const {
    formula,
    problems,
    balance: made,
    keeping,
  } = useMemo(() => computeFormula(document, here), [document, here]);
  const { remedies } = useRemedies({ document, kitchen: here, units, onHeat: false });
  const read = new Map(formula.lines.map((line) => [line.index, line]));
  const readLines = (
    <ReadLines
      lines={lines}
      pot={read}
      corrections={corrections}
      foodNames={foodNames}
      onCorrect={onCorrect}
      formats={formats}
    />
  );
  if (otherFood !== undefined)
    return (
      <section aria-label="The answer" className="panel p-4">
        <Notice title={sentence(`this is ${otherFood}`)} tone="care">
          It is no fruit spread, so there is no answer for it here. It needs a tested recipe of its
          own from an extension service or food authority.
        </Notice>
        {readLines}
      </section>
    );
  if (!made)
    return (
      <section aria-label="The answer" className="panel p-4">
        <Notice title="Nothing is understood yet" tone="care">
          Write an amount and an ingredient on each line, such as “2.4 kg damsons”.
        </Notice>
        {readLines}
      </section>
    );
  const stop = stopWords(formula, made, formats);
  const findings = auditImport(
    { formula, balance: made, keeping },
    { statedMinutes, statedStop_C, steps: document.steps },
  );
  const [remedy] = remedies;
  const [why] = keeping.reasons;
  return (
    <section aria-label="The answer" className="panel p-4">
      <h2 className="text-xl">{document.title}</h2>
      <p className="text-sm text-soft">
        {KIND_WORDS[document.kind]}, {METHOD_WORDS[document.method]}, as far as it can be seen
      </p>
      <Figure name={stop.lead}>{stop.words}</Figure>
      <Figure
        name="hot jars to have ready"
        note={`for ${made.jars.map(({ size, count }) => jarsOf(jarWords(count.mid), size)).join(' and ')}`}
      >
        {made.readyJars}
      </Figure>
      <Figure
        name="in the canner"
        note={
          keeping.process
            ? `${keeping.process.row}. ${keeping.process.band}`
            : why && sentence(why.text)
        }
      >
        {keeping.process ? `${keeping.process.minutes} min` : STORAGE_WORDS[keeping.verdict].word}
      </Figure>
      {remedy && (
        <div className="mt-3">
          <Notice title="The one thing" tone="care">
            {remedy.text}: {remedy.effect}.
          </Notice>
        </div>
      )}
      {readLines}
      <ul aria-label="Audit" className="mt-3 space-y-1.5">
        {findings.map(({ code, right, text }) => (
          <li key={code} className="flex items-start gap-2">
            {right ? (
              <Check aria-label="right" className="mt-0.5 size-5 shrink-0 text-good" />
            ) : (
              <TriangleAlert
                aria-label="look at this"
                className="mt-0.5 size-5 shrink-0 text-watch"
              />
            )}
            {sentence(text)}
          </li>
        ))}
        {notes.map((note) => (
          <li key={note} className="text-sm text-soft">
            {sentence(note)}
          </li>
        ))}
      </ul>
      <p className="mt-3 text-sm text-soft">
        Not a tested recipe: your extension service or food authority has the last word.
      </p>
      <SaveFormula document={document} whole={problems.length === 0} />
    </section>
  );
}

function SaveFormula({
  document,
  whole,
}: {
  readonly document: FormulaDocument;
  readonly whole: boolean;
}) {
  const newBatch = useNewBatch();
  const keep = async (): Promise<void> => {
    try {
      await request<FormulaView>('PUT', `/formulas/${newId()}`, {
        document,
        revision: 0,
      });
      void queryClient.invalidateQueries({ queryKey: keys.formulas });
      toast.success(`“${document.title}” is in your formulas`);
    } catch (error) {
      toast.error(
        error instanceof Error ? error.message : 'The server does not answer; nothing was saved',
      );
    }
  };
  return (
    <div className="mt-4 flex flex-wrap gap-2">
      <button
        type="button"
        className="btn btn-primary"
        onClick={() => void newBatch({ document: document as FormulaBody })}
      >
        Make it a batch
      </button>
      <button type="button" className="btn" disabled={!whole} onClick={() => void keep()}>
        Save as a formula
      </button>
    </div>
  );
}
