import {
  balance,
  boilingPointAt,
  checkPlace,
  gelTemperature_C,
  parseMeasure,
  processBand,
  readFormula,
  type MeasureName,
  type Place,
} from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';

/** Reads a file's text; "-" is standard input. */
export type ReadText = (name: string) => string;

export interface Verb {
  readonly help: string;
  readonly run: (argv: readonly string[], readText: ReadText) => unknown;
}

function readDocument(name: string, readText: ReadText): unknown {
  let text: string;
  try {
    text = readText(name);
  } catch {
    throw new CalcError([
      `${name}: cannot be read; write the name of a formula file, or - for standard input`,
    ]);
  }
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new CalcError([`${name}: not JSON: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

const balanceVerb: Verb = {
  help: `./kettle calc balance FILE        what a formula will give ("-" reads standard input)

Prints one JSON object. Estimates are { "low", "mid", "high" }: the middle and the 5th and 95th percentile.
A document that cannot be computed: exit 2 and one line a problem, each naming its place in the document.`,
  run(argv, readText) {
    const { words } = readArgs(argv, []);
    const [name, ...more] = words;
    if (name === undefined || more.length > 0)
      throw new CalcError(['calc balance needs one FILE, or - for standard input']);
    const { formula, problems } = readFormula(readDocument(name, readText));
    if (problems.length > 0)
      throw new CalcError(
        problems.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)),
      );
    return balance(formula);
  },
};

const GEL_OPTIONS = {
  altitude: ['length', 'altitude_m'],
  pressure: ['pressure', 'pressure_kPa'],
  'boiling-point': ['temperature', 'boilingPoint_C'],
  rise: ['rise', undefined],
} as const satisfies Record<string, readonly [MeasureName, keyof Place | undefined]>;

const gelVerb: Verb = {
  help: `./kettle calc gel --altitude "5280 ft"     the temperature to stop at, here

  --altitude "310 m"         height above the sea
  --pressure "842 hPa"       station pressure, not reduced to sea level
  --boiling-point "201.5 F"  boiling water on the thermometer in use
  --rise "8 F"               above boiling water (8 F unless given)

A measured boiling point beats pressure, which beats altitude. The process band comes from the altitude alone.`,
  run(argv) {
    const { words, options } = readArgs(argv, Object.keys(GEL_OPTIONS));
    if (words.length > 0) throw new CalcError([`"${words[0]}": calc gel takes options only`]);
    const place: { -readonly [K in keyof Place]: Place[K] } = {};
    const problems: string[] = [];
    let rise: number | undefined;
    for (const [option, [measure, field]] of Object.entries(GEL_OPTIONS)) {
      const text = options[option];
      if (text === undefined) continue;
      const reading = parseMeasure(measure, text);
      const wrong = !reading.ok
        ? reading.message
        : field
          ? checkPlace({ [field]: reading.value })[0]?.message
          : undefined;
      if (wrong !== undefined) problems.push(`--${option}: ${wrong}`);
      else if (reading.ok && field) place[field] = reading.value;
      else if (reading.ok) rise = reading.value;
    }
    if (Object.keys(place).length === 0 && problems.length === 0)
      problems.push('calc gel needs --altitude, --pressure or --boiling-point');
    if (problems.length > 0) throw new CalcError(problems);
    const { boilingPoint_C, pressure_kPa } = boilingPointAt(place);
    return {
      boilingPoint_C: boilingPoint_C.mid,
      gelTemperature_C: gelTemperature_C(place, rise),
      pressure_kPa,
      processBand: processBand(place.altitude_m)?.id ?? null,
    };
  },
};

export const VERBS: Readonly<Record<string, Verb>> = { balance: balanceVerb, gel: gelVerb };
