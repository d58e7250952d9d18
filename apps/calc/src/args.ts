/**
 * A mistake in how the command was called or in what it was given; exit 2, nothing on standard
 * output.
 */
export class CalcError extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}

export interface Args {
  readonly words: readonly string[];
  readonly options: Readonly<Record<string, string>>;
}

/**
 * `FILE --altitude "310 m"` taken apart.
 * @throws CalcError for an option that is not among `known` or lacks its value
 */
export function readArgs(argv: readonly string[], known: readonly string[]): Args {
  const words: string[] = [];
  const options: Record<string, string> = {};
  for (let i = 0; i < argv.length; i++) {
    const word = argv[i] ?? '';
    if (!word.startsWith('--')) {
      words.push(word);
      continue;
    }
    const [name = '', inline] = word.slice(2).split(/=(.*)/s);
    if (!known.includes(name))
      throw new CalcError([
        `--${name}: unknown option; known are ${known.map((k) => `--${k}`).join(', ')}`,
      ]);
    const value = inline ?? argv[(i += 1)];
    if (value === undefined) throw new CalcError([`--${name}: needs a value`]);
    options[name] = value;
  }
  return { words, options };
}
