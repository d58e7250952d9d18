import { firstFilledAt, jarsToHaveHot, worthMeasuring, type Balance } from '@idle-kettle/core';
import { shareWords } from '../ui/share-words.js';
import { useBatch } from './batch-context.js';
import { FinishedBatch, useIsFinished } from './finished-batch.js';
import { MainProblemNotice } from './main-problem.js';
import type { MainProblem } from './use-main-problem.js';
import { Readouts } from './readouts.js';

/** A measurement worth offering narrows a range by this share at least. */
const WORTH_SAYING = 0.15;

/**
 * What will come out: the same place beside every station, each readout a word, its range and a
 * bar.
 */
export function VerdictPanel({ problem }: { readonly problem: MainProblem | undefined }) {
  const { balance, asWeighed, jarsNow, keeping, formula, boil } = useBatch();
  const isFinished = useIsFinished();
  if (isFinished) return <FinishedBatch />;
  const readyJars = jarsNow
    ? jarsToHaveHot([jarsNow.count])
    : ((asWeighed ?? balance)?.readyJars ?? 0);
  return (
    <aside aria-label="What will come out" className="px-4 pb-6 sm:px-6 xl:px-5 xl:py-4">
      <h2 className="sr-only">What will come out</h2>
      {problem && <MainProblemNotice problem={problem} />}
      {balance && (
        <Readouts
          balance={balance}
          keeping={keeping}
          formula={formula}
          asWeighed={asWeighed}
          jarsNow={jarsNow}
          isFilled={firstFilledAt(boil) !== undefined}
          isProcessed={boil.processRuns.length > 0}
        />
      )}
      {readyJars > 0 && (
        <p className="mt-3 text-soft">
          Heat <strong className="text-base-content">{readyJars}</strong> jars; one is a spare.
        </p>
      )}
      {balance && boil.phase !== 'done' && <ToBeSurer balance={balance} />}
    </aside>
  );
}

/** The one measurement that would narrow the ranges most. */
function ToBeSurer({ balance }: { readonly balance: Balance }) {
  const { formula } = useBatch();
  // A maker can act on yield and set; the pH of one fruit decides nothing by itself.
  const most = worthMeasuring(formula, balance).find(({ of }) => of !== 'pH');
  if (!most || most.narrows < WORTH_SAYING) return null;
  return (
    <p className="mt-2 text-soft">
      For a tighter estimate: {most.text.charAt(0).toLowerCase() + most.text.slice(1)}. It narrows
      the {most.of} by {shareWords(most.narrows)}.
    </p>
  );
}
