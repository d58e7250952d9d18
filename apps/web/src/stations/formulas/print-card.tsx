import { Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { computeFormula, firstFruit, withoutPlace } from '@idle-kettle/core';
import { useTheme } from '../../ui/theme.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { STORAGE_WORDS } from '../../batch/readouts.js';
import { KIND_WORDS, METHOD_WORDS, PROCESS_WORDS, stopWords } from '../../batch/words.js';
import { useFormulas } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { Loading } from '../../ui/page.js';
import { useTitle } from '../../ui/title.js';
import { capital, sentence } from '../../ui/sentence.js';

/**
 * The formula on one card for the kitchen wall: what goes in, where to stop here, what comes out,
 * how it keeps.
 */
export function PrintCard() {
  const { formulaId = '' } = useParams();
  const formats = useFormats();
  const theme = useTheme();
  const { kitchen } = usePreferences();
  const view = useFormulas().data?.find(({ id }) => id === formulaId);
  useTitle(view ? `${view.document.title}, card` : 'Card');
  if (!view) return <Loading />;
  const { document } = view;
  const { formula, balance, keeping } = computeFormula(withoutPlace(document), kitchen);
  const stop = balance && stopWords(formula, balance, formats);
  const shares = new Map(formula.lines.map((line) => [line.index, line.mass_kg.mid]));
  return (
    <div
      className="mx-auto max-w-2xl px-4 py-5 print:max-w-none print:p-0"
      style={fruitStyle(firstFruit(document), theme)}
    >
      <div className="mb-4 flex gap-2 print:hidden">
        <button type="button" className="btn btn-primary" onClick={() => window.print()}>
          <Printer aria-hidden="true" className="size-5" /> Print
        </button>
        <Link to={`/formulas/${view.id}`} className="btn btn-ghost">
          Back to the formula
        </Link>
      </div>
      <article className="panel overflow-hidden print:border-2 print:border-black print:bg-white print:text-black">
        <div aria-hidden="true" className="h-3" style={{ background: 'var(--fruit)' }} />
        <div className="p-6">
          <h1 className="text-3xl">{document.title}</h1>
          <p className="text-soft print:text-black">
            {KIND_WORDS[document.kind]}, {METHOD_WORDS[document.method]} · version {view.revision}
            {kitchen.altitude_m !== undefined && ` · at ${formats.altitude(kitchen.altitude_m)}`}
          </p>
          <table className="mt-4 w-full text-left">
            <caption className="sr-only">In the pan</caption>
            <tbody>
              {document.lines.map((line, i) => (
                <tr key={i} className="border-b border-line">
                  <td className="w-32 py-1.5 font-bold">{line.amount}</td>
                  <td className="py-1.5">{nameOfLine(line)}</td>
                  <td className="py-1.5 text-right text-sm text-soft print:text-black">
                    {formats.mass(shares.get(i) ?? 0)} · {formats.otherMass(shares.get(i) ?? 0)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {balance && stop && (
            <dl className="mt-4 grid gap-x-6 gap-y-3 sm:grid-cols-3 print:grid-cols-3">
              <Fact name={stop.lead} words={stop.words} />
              <Fact
                name="hot jars"
                words={`${balance.readyJars}`}
                note={balance.jars
                  .map(({ count, size }) =>
                    jarsOf(`${count.low.toFixed(1)} to ${count.high.toFixed(1)}`, size),
                  )
                  .join(', ')}
              />
              <Fact
                name="storage"
                words={STORAGE_WORDS[keeping.verdict].word}
                note={
                  keeping.process
                    ? `${keeping.process.minutes} min ${PROCESS_WORDS[keeping.process.method]}, ${keeping.process.band}`
                    : keeping.reasons[0] && sentence(keeping.reasons[0].text)
                }
              />
            </dl>
          )}
          {document.steps && document.steps.length > 0 && (
            <ol className="mt-4 list-decimal space-y-1 pl-6">
              {document.steps.map((step, i) => (
                <li key={i}>{step}</li>
              ))}
            </ol>
          )}
          {document.notes !== undefined && document.notes !== '' && (
            <p className="mt-4 whitespace-pre-line">{document.notes}</p>
          )}
          <p className="mt-4 text-sm text-soft print:text-black">
            It burns at over 104 °C (219 °F). Not a tested recipe: your extension service or food
            authority has the last word.
          </p>
        </div>
      </article>
    </div>
  );
}

const Fact = ({
  name,
  words,
  note,
}: {
  readonly name: string;
  readonly words: string;
  readonly note?: string | undefined;
}) => (
  <div>
    <dt className="text-sm text-soft print:text-black">{capital(name)}</dt>
    <dd className="display text-xl">{words}</dd>
    {note !== undefined && <dd className="text-sm">{note}</dd>}
  </div>
);
