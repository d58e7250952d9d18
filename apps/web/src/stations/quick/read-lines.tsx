import { useState } from 'react';
import type { FoodNameBody } from '@idle-kettle/contract';
import {
  ingredientById,
  type Correction,
  type Corrections,
  type ImportedLine,
  type LineRole,
  type PotLine,
} from '@idle-kettle/core';
import { sentence } from '../../ui/sentence.js';
import type { Formats } from '../../ui/preferences.js';

const ROLE_WORDS: Readonly<Record<LineRole, string>> = {
  title: 'title',
  heading: 'heading',
  ingredient: 'ingredient',
  step: 'step',
  yield: 'what it makes',
  note: 'remark',
  equipment: 'equipment',
  unknown: 'not understood',
};

/** A whole page that somebody pasted has thousands of lines: so many are drawn at a time. */
const LISTED = 200;

interface ReadLinesProps {
  readonly lines: readonly ImportedLine[];
  /** What the lines of the formula became, by their position in it. */
  readonly pot: ReadonlyMap<number, PotLine>;
  readonly corrections: Corrections;
  /** What the household took unknown words for before. */
  readonly foodNames: readonly FoodNameBody[];
  readonly onCorrect: (index: number, correction: Correction | undefined) => void;
  readonly formats: Formats;
}

/** Every line that was pasted, in its order, with how it was read; what was not can be mended here. */
export function ReadLines({
  lines,
  pot,
  corrections,
  foodNames,
  onCorrect,
  formats,
}: ReadLinesProps) {
  const open = lines.filter(needsAnswer).length;
  const [listed, setListed] = useState(LISTED);
  const left = lines.length - listed;
  return (
    <section aria-labelledby="read-lines">
      <h3 id="read-lines" className="mt-4 text-lg">
        How it was read
      </h3>
      {open > 0 && (
        <p role="status" className="text-sm text-bad">
          {open === 1 ? '1 line needs an answer' : `${open} lines need an answer`}: until then it is
          not for the shelf.
        </p>
      )}
      <ul className="mt-1 text-sm">
        {lines.slice(0, listed).map((line, i) => (
          <ReadLine
            key={i}
            line={line}
            read={readWords(line, pot, formats)}
            corrected={corrections.get(i)}
            before={foodNames.find(({ words }) => words === line.unknownWords)?.ingredient}
            onCorrect={(correction) => onCorrect(i, correction)}
          />
        ))}
      </ul>
      {left > 0 && (
        <button type="button" className="btn mt-2" onClick={() => setListed(listed + LISTED)}>
          {left > LISTED ? `Show ${LISTED} more of ${left} lines` : `Show the other ${left} lines`}
        </button>
      )}
    </section>
  );
}

/** A food whose words, or whose amount, are not understood. */
const needsAnswer = ({ problem, role, became }: ImportedLine): boolean =>
  problem !== undefined || (role === 'unknown' && became.length > 0);

/** The foods of a line in the trade's words: "2.4 kg damsons". */
function readWords(
  { became }: ImportedLine,
  pot: ReadonlyMap<number, PotLine>,
  formats: Formats,
): string {
  return became
    .flatMap((index) => pot.get(index) ?? [])
    .map(({ mass_kg, label, form, ingredient }) => {
      const how = form === ingredient.usualForm ? '' : `, ${form.replaceAll('-', ' ')}`;
      return `${formats.mass(mass_kg.mid)} ${label}${how}`;
    })
    .join(' and ');
}

interface ReadLineProps {
  readonly line: ImportedLine;
  readonly read: string;
  readonly corrected: Correction | undefined;
  /** The ingredient its words were taken for before. */
  readonly before: string | undefined;
  readonly onCorrect: (correction: Correction | undefined) => void;
}

function ReadLine({ line, read, corrected, before, onCorrect }: ReadLineProps) {
  const { text, role, problem, fromStep } = line;
  const wrong = needsAnswer(line);
  const isFood = role === 'ingredient' || wrong;
  return (
    <li
      className={`border-b border-line py-1.5 ${wrong ? 'rounded-lg bg-[var(--notice)] px-2' : ''}`}
    >
      <span className={isFood ? '' : 'text-soft'}>{text}</span>
      <span className="text-soft">
        {' '}
        → {isFood ? read || ROLE_WORDS.unknown : ROLE_WORDS[role]}
        {fromStep === true && ', named only in a step'}
      </span>
      {problem !== undefined && <p className="text-bad">{sentence(problem)}</p>}
      {wrong && !corrected && <Mend line={line} before={before} onCorrect={onCorrect} />}
      {corrected && (
        <button
          type="button"
          className="btn btn-ghost btn-sm ml-2 min-h-[44px]"
          onClick={() => onCorrect(undefined)}
        >
          {corrected.type === 'no-food' ? 'No food. Undo' : 'Changed by you. Undo'}
        </button>
      )}
    </li>
  );
}

const MOST_SUGGESTIONS = 3;

/** What to do with a line that is not understood: pick, write it anew, or say that it is no food. */
function Mend({ line, before, onCorrect }: Pick<ReadLineProps, 'line' | 'before' | 'onCorrect'>) {
  const [text, setText] = useState(line.text);
  const remembered = before === undefined ? undefined : ingredientById(before);
  const suggestions = (line.reading?.suggestions ?? [])
    .filter(({ id }) => id !== before)
    .slice(0, MOST_SUGGESTIONS);
  return (
    <form
      className="mt-1 flex flex-wrap items-center gap-2 pb-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') onCorrect({ type: 'rewritten', text });
      }}
    >
      <input
        aria-label={`Write “${line.text}” anew`}
        className="input min-w-0 flex-1 basis-48"
        value={text}
        maxLength={200}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn" disabled={text.trim() === '' || text === line.text}>
        Read again
      </button>
      {remembered && (
        <button
          type="button"
          className="btn btn-secondary"
          onClick={() => onCorrect({ type: 'picked', ingredient: remembered.id })}
        >
          As before: {remembered.name[1]}
        </button>
      )}
      {suggestions.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          className="btn"
          onClick={() => onCorrect({ type: 'picked', ingredient: id })}
        >
          Take it for {name[1]}
        </button>
      ))}
      <button
        type="button"
        className="btn btn-ghost"
        onClick={() => onCorrect({ type: 'no-food' })}
      >
        No food
      </button>
    </form>
  );
}
