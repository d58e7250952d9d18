import { CalcError } from './args.js';
import type { ReadText } from './document.js';
import { VERBS } from './verbs.js';

export interface Outcome {
  readonly code: 0 | 2;
  readonly out: string;
  readonly err: string;
}

const HELP = `Computes from the command line, with no server and no database.

${Object.values(VERBS)
  .map((verb) => verb.help.split('\n')[0])
  .join('\n')}

./kettle calc VERB --help tells more of each.`;

/**
 * Runs one `calc` call. Never throws for what it was given: a mistake is exit 2 with its lines on
 * standard error.
 */
export function run(
  argv: readonly string[],
  readText: ReadText,
  today = new Date().toISOString().slice(0, 10),
): Outcome {
  const [name, ...rest] = argv;
  if (name === undefined || name === '--help' || name === 'help')
    return {
      code: name === undefined ? 2 : 0,
      out: name === undefined ? '' : HELP,
      err: name === undefined ? HELP : '',
    };
  const verb = VERBS[name];
  if (!verb)
    return {
      code: 2,
      out: '',
      err: `calc: there is no "${name}"; known are ${Object.keys(VERBS).join(', ')}`,
    };
  if (rest.includes('--help')) return { code: 0, out: verb.help, err: '' };
  try {
    const { out, notes = [] } = verb.run(rest, readText, today);
    return {
      code: 0,
      out: typeof out === 'string' ? out : JSON.stringify(out, null, 2),
      err: notes.join('\n'),
    };
  } catch (error) {
    if (error instanceof CalcError) return { code: 2, out: '', err: error.message };
    throw error;
  }
}
