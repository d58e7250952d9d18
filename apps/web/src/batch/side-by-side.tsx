import { useMemo } from 'react';
import type { FormulaBody } from '@idle-kettle/contract';
import {
  computeFormula,
  differences,
  jarWords,
  firmnessSaid,
  firmnessWord,
  tasteWord,
  withoutPlace,
  type Computed,
} from '@idle-kettle/core';
import { useFormats, usePreferences, type Formats } from '../ui/preferences.js';
import { jarsOf } from '../ui/jar-picture.js';
import { capital, sentence } from '../ui/sentence.js';
import { STORAGE_WORDS } from './readouts.js';
import { FINISH_WORDS, METHOD_WORDS, PROCESS_WORDS, stopWords } from './words.js';

export interface Side {
  readonly name: string;
  readonly document: FormulaBody;
}

/** Rows of the comparison: what each side says, in words with its figures. */
const ROWS: readonly (readonly [string, (made: Computed, formats: Formats) => string])[] = [
  ['way', ({ formula }) => `${METHOD_WORDS[formula.method]}, ${FINISH_WORDS[formula.finish.type]}`],
  ['goes in', ({ balance }, formats) => (balance ? formats.mass(balance.massIn_kg.mid) : '–')],
  [
    'boils away',
    ({ balance }, formats) => (balance ? formats.mass(balance.waterToBoilOff_kg.mid) : '–'),
  ],
  [
    'stop',
    ({ formula, balance }, formats) => (balance ? stopWords(formula, balance, formats).words : '–'),
  ],
  [
    'firmness',
    ({ balance }) => {
      if (!balance) return '–';
      const { model, firmness } = balance.set;
      const said = (value: number): string => firmnessSaid(firmnessWord(value), model);
      const [low, mid, high] = [said(firmness.low), said(firmness.mid), said(firmness.high)];
      return low === high ? capital(mid) : `${capital(mid)}, ${low} to ${high}`;
    },
  ],
  [
    'acidity',
    ({ balance }) =>
      balance
        ? `Tastes ${tasteWord(balance.titratableAcidityPercent.mid)}, pH ${balance.pH.low.toFixed(1)} to ${balance.pH.high.toFixed(1)}`
        : '–',
  ],
  [
    'concentration',
    ({ balance }) =>
      balance
        ? `${balance.finish.solubleSolidsPercent.low.toFixed(0)} to ${balance.finish.solubleSolidsPercent.high.toFixed(0)} °Brix`
        : '–',
  ],
  [
    'yield',
    ({ balance }) =>
      balance?.jars
        .filter(({ count }) => count.mid > 0.05)
        .map(({ count, size }) => jarsOf(jarWords(count.mid), size))
        .join(', ') ?? '–',
  ],
  [
    'storage',
    ({ keeping }) =>
      `${STORAGE_WORDS[keeping.verdict].word}${keeping.process ? `, ${keeping.process.minutes} min ${PROCESS_WORDS[keeping.process.method]}` : ''}`,
  ],
];

/** Two formulas and what comes of each, row by row; rows that differ stand out. */
export function SideBySide({ before, after }: { readonly before: Side; readonly after: Side }) {
  const { kitchen } = usePreferences();
  const formats = useFormats();
  const [one, other] = useMemo(
    () => [before, after].map(({ document }) => computeFormula(withoutPlace(document), kitchen)),
    [before, after, kitchen],
  );
  const changes = useMemo(() => differences(before.document, after.document), [before, after]);
  if (!one || !other) return null;
  return (
    <div>
      <table className="w-full table-fixed border-collapse text-left">
        <thead>
          <tr className="border-b border-line text-sm text-soft">
            <th scope="col" className="w-24 py-2 font-normal">
              <span className="sr-only">what</span>
            </th>
            <th scope="col" className="py-2 pr-3 font-semibold">
              {before.name}
            </th>
            <th scope="col" className="py-2 font-semibold">
              {after.name}
            </th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([name, tell]) => {
            const [a, b] = [tell(one, formats), tell(other, formats)];
            return (
              <tr key={name} className="border-b border-line align-top">
                <th scope="row" className="py-2 text-sm font-normal text-soft">
                  {name}
                </th>
                <td className={`py-2 pr-3 ${a === b ? 'text-soft' : ''}`}>{a}</td>
                <td className={`py-2 ${a === b ? 'text-soft' : 'font-semibold'}`}>{b}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <h3 className="mt-3 text-lg">What was changed</h3>
      {changes.length === 0 ? (
        <p className="text-soft">Nothing: the two are the same.</p>
      ) : (
        <ul className="mt-1 list-disc space-y-0.5 pl-5">
          {changes.map((each) => (
            <li key={each}>{sentence(each)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
