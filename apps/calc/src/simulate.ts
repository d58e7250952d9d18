import { GOOD_INSTRUMENTS, preparePot, simulateFormula } from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import { readOneFormula } from './document.js';
import type { Verb } from './verb.js';

/** A flame wanders by about this share. Common practice. */
const FLUCTUATION = 0.05;
const LONGEST_S = 24 * 3600;

/** A number option within its range. */
function number(
  options: Readonly<Record<string, string>>,
  name: string,
  fallback: number,
  least: number,
  most: number,
): number {
  const text = options[name];
  if (text === undefined) return fallback;
  const value = Number(text);
  if (text.trim() !== '' && value >= least && value <= most) return value;
  throw new CalcError([`--${name}: "${text}": write a number from ${least} to ${most}`]);
}

export const simulateVerb: Verb = {
  help: `./kettle calc simulate FILE --seed 7     a boil of this formula, as CSV

  --seed 7          the same seed gives the same boil
  --watts 1500      heat into the pot, W
  --every 30        seconds between readings
  --noise 0.1       noise of the thermometer, C

Columns: minute, temperature_C, mass_kg, solubleSolidsPercent, each as the instruments read it.`,
  run(argv, readText) {
    const { words, options } = readArgs(argv, ['seed', 'watts', 'every', 'noise']);
    const { formula } = readOneFormula('simulate', words, readText);
    const pot = preparePot(formula);
    if (!pot) throw new CalcError(['lines: nothing is in the pot']);
    const seed = number(options, 'seed', 1, 0, 2 ** 31);
    const watts = number(options, 'watts', 1500, 200, 6000);
    const every = number(options, 'every', 30, 1, 600);
    const noise = number(options, 'noise', 0.1, 0, 2);
    const simulation = simulateFormula(pot, {
      net_W: () => watts,
      fluctuation: FLUCTUATION,
      instruments: { ...GOOD_INSTRUMENTS, noise_K: noise },
      seed,
      readEvery_s: every,
      most_s: LONGEST_S,
    });
    const rows = simulation.readings.map(({ time_s, temperature_C, mass_kg, solidsPercent }) =>
      [
        (time_s / 60).toFixed(2),
        temperature_C.toFixed(2),
        mass_kg.toFixed(3),
        solidsPercent.toFixed(1),
      ].join(','),
    );
    return {
      out: ['minute,temperature_C,mass_kg,solubleSolidsPercent', ...rows].join('\n'),
      ...(simulation.finished
        ? {}
        : { notes: ['not finished after 24 hours: more heat, or another finish'] }),
    };
  },
};
