import { Download, Upload } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  LARGEST_HOUSEHOLD_MB,
  type HouseholdImport,
  type FieldProblem,
  type LeftOut,
} from '@idle-kettle/contract';
import { ApiProblem, request } from '../../data/api.js';
import { forgetCursors, queryClient } from '../../data/queries.js';
import { DownloadLink } from '../../ui/download-link.js';
import { FileButton } from '../../ui/file-button.js';
import { Notice } from '../../ui/notice.js';
import { counted } from '../../ui/sentence.js';

/** A large household takes a while to look through, ms. */
const PATIENCE_MS = 180_000;
/** So many things to mend are shown; the rest shows when these are. */
const SHOWN = 12;

const TABLES = [
  ['shelf', 'jars kept'],
  ['moves', 'moves of jars'],
  ['batches', 'batches'],
  ['log', 'every event of every boil'],
] as const;

type State =
  | { readonly is: 'idle' }
  | { readonly is: 'busy'; readonly name: string }
  | { readonly is: 'in'; readonly name: string; readonly broughtIn: HouseholdImport }
  | {
      readonly is: 'refused';
      readonly name: string;
      readonly why: string;
      readonly errors: readonly FieldProblem[];
    };

const LEFT_PARTS: Readonly<Record<LeftOut['part'], readonly [one: string, many: string]>> = {
  events: ['event', 'events'],
  lots: ['lot of jars', 'lots of jars'],
  moves: ['move of jars', 'moves of jars'],
  photos: ['photo', 'photos'],
};
const LEFT_WORDS: Readonly<Record<LeftOut['reason'], string>> = {
  'log-exists': 'of batches that have a log here, which stays as it was kept',
  'batch-deleted': 'of batches that were deleted here; restore those first to import them',
};

/** What came in, in a sentence. */
export function broughtWords({
  added,
  already,
  leftOut,
  attestationsLeftOut,
}: HouseholdImport): string[] {
  const sum = (of: HouseholdImport['added']): number =>
    Object.values(of).reduce((total, each) => total + each, 0);
  const parts = [
    added.batches > 0 &&
      `${counted(added.batches, 'batch', 'batches')} with ${counted(added.events, 'event')}`,
    added.lots > 0 && counted(added.lots, 'lot of jars', 'lots of jars'),
    added.moves > 0 && `${counted(added.moves, 'move', 'moves')} of jars`,
    added.formulas > 0 && counted(added.formulas, 'formula'),
    added.kitchens > 0 && counted(added.kitchens, 'kitchen'),
    added.preparedWeights > 0 && counted(added.preparedWeights, 'weighing'),
    added.photos > 0 && counted(added.photos, 'photo'),
    added.frozenFruit > 0 &&
      counted(added.frozenFruit, 'bag of frozen fruit', 'bags of frozen fruit'),
    added.practiceScenarios > 0 &&
      counted(added.practiceScenarios, 'practice pan', 'practice pans'),
    added.practiceRuns > 0 && counted(added.practiceRuns, 'practice run', 'practice runs'),
  ].filter((part) => part !== false);
  return [
    parts.length === 0 ? 'Nothing new was in it.' : `New here: ${parts.join(', ')}.`,
    ...(sum(already) > 0 ? ['What was here already stayed as it is.'] : []),
    ...leftOut.map(
      ({ part, count, reason }) =>
        `Left out: ${counted(count, ...LEFT_PARTS[part])} ${LEFT_WORDS[reason]}.`,
    ),
    ...(attestationsLeftOut > 0
      ? [
          'Tested sources and measured pH stand for the person who attested them: they were left out, and the storage is worked out without them.',
        ]
      : []),
  ];
}

/** So much of a file is looked at before it is sent, letters: it says at once what it is. */
const LOOKED_AT = 2000;

/**
 * Why a file is not sent; undefined where it may be one of a household. It is not read whole: what
 * is in it is looked through by the server, beside its other work.
 *
 * @param start the first letters of it
 * @param size bytes
 */
export function notOfHousehold(start: string, size: number): string | undefined {
  if (size > LARGEST_HOUSEHOLD_MB * 1e6)
    return `It is larger than ${LARGEST_HOUSEHOLD_MB} MB. Move such a household with ./kettle backup and ./kettle restore.`;
  return start.trimStart().startsWith('{')
    ? undefined
    : 'It is not JSON: choose the file that “Everything” gave you, unchanged.';
}

/** The household out to files and in again. */
export function Files() {
  const [state, setState] = useState<State>({ is: 'idle' });
  const take = async (file: File): Promise<void> => {
    const { name } = file;
    setState({ is: 'busy', name });
    try {
      const why = notOfHousehold(await file.slice(0, LOOKED_AT).text(), file.size);
      if (why !== undefined) return setState({ is: 'refused', name, why, errors: [] });
      const broughtIn = await request<HouseholdImport>('POST', '/household', file, {}, PATIENCE_MS);
      setState({ is: 'in', name, broughtIn });
      forgetCursors();
      await queryClient.invalidateQueries();
    } catch (error) {
      setState(
        error instanceof ApiProblem
          ? {
              is: 'refused',
              name,
              why: 'Nothing was imported.',
              errors: error.problem.errors ?? [{ path: '', message: error.message }],
            }
          : {
              is: 'refused',
              name,
              why: 'The server does not answer. Try again when it is back: importing a file twice changes nothing.',
              errors: [],
            },
      );
    }
  };
  return (
    <section aria-label="Your data" className="panel mt-5 p-5">
      <h2 className="text-xl">Your data</h2>
      <p className="mt-1 max-w-prose text-soft">
        Everything saved here, in open files. All of it can be imported on another machine; tables
        open in any spreadsheet; the book is the shelf and every batch as it went, to read and to
        print; the calendar has best-before days, lids to press and plans. Instruments stay behind,
        since their tokens are secrets.
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <DownloadLink className="btn" href="/api/household" name="household.json">
          <Download aria-hidden="true" className="size-5" /> Everything (JSON)
        </DownloadLink>
        <DownloadLink className="btn" href="/api/household/book.pdf" name="book.pdf">
          <Download aria-hidden="true" className="size-5" /> The book (PDF)
        </DownloadLink>
        <a className="btn" href="/api/household/calendar.ics" download="calendar.ics">
          <Download aria-hidden="true" className="size-5" /> Calendar
        </a>
        {TABLES.map(([name, words]) => (
          <DownloadLink
            key={name}
            className="btn btn-ghost"
            href={`/api/household/${name}.csv`}
            name={`${name}.csv`}
          >
            {words} (CSV)
          </DownloadLink>
        ))}
      </div>
      <FileButton
        label="File of a household"
        accept=".json,application/json"
        className="mt-3"
        isDisabled={state.is === 'busy'}
        onChoose={([file]) => file && void take(file)}
      >
        <Upload aria-hidden="true" className="size-5" />{' '}
        {state.is === 'busy' ? `Checking ${state.name} …` : 'Import a file'}
      </FileButton>
      <div aria-live="polite" className="mt-3">
        {state.is === 'in' && (
          <Notice title={`${state.name} is in`}>
            {broughtWords(state.broughtIn).map((words) => (
              <p key={words}>{words}</p>
            ))}
          </Notice>
        )}
        {state.is === 'refused' && (
          <Notice title={`${state.name} was not imported`} tone="care">
            <p>{state.why}</p>
            {state.errors.length > 0 && (
              <ul className="mt-2 list-disc pl-5">
                {state.errors.slice(0, SHOWN).map(({ path, message }) => (
                  <li key={`${path} ${message}`}>
                    {path === '' ? (
                      message
                    ) : (
                      <>
                        <code>{path}</code>: {message}
                      </>
                    )}
                  </li>
                ))}
                {state.errors.length > SHOWN && <li>and {state.errors.length - SHOWN} more</li>}
              </ul>
            )}
          </Notice>
        )}
      </div>
      <p className="mt-3 text-sm">
        <Link to="/notices" className="inline-flex min-h-[44px] items-center underline">
          Made with: typefaces and libraries of others, and their licences
        </Link>
      </p>
    </section>
  );
}
