import {
  boilingCurve,
  boilingPointAt,
  gelTemperature_C,
  preparePot,
  simulateBoil,
  solidsOf,
} from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import { readOneFormula } from './document.js';
import type { Verb } from './verb.js';

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
    const { contents, outcome, rule } = pot;
    const { pressure_kPa } = boilingPointAt(formula.place);
    const seed = number(options, 'seed', 1, 0, 2 ** 31);
    const watts = number(options, 'watts', 1500, 200, 6000);
    const every = number(options, 'every', 30, 1, 600);
    const noise = number(options, 'noise', 0.1, 0, 2);
    const water = Math.max(contents.mass - contents.soluble - contents.insoluble, 0.01);
    const start = {
      water,
      soluble: contents.soluble,
      insoluble: contents.insoluble,
      invertShare: contents.soluble > 0 ? contents.hexose / contents.soluble : 0,
      temperature_C: 60,
    };
    const wanted = outcome.finished - contents.insoluble;
    const gel =
      formula.finish.type === 'gel-temperature'
        ? gelTemperature_C({ pressure_kPa }, formula.finish.rise_K)
        : undefined;
    const curd = formula.finish.type === 'curd' ? formula.finish.temperature_C : undefined;
    let boiledFrom: number | undefined;
    const kettle = { curve: boilingCurve(pressure_kPa), diameter_m: 0.28, pH: outcome.pH };
    const simulation = simulateBoil(start, kettle, {
      net_W: () => watts,
      fluctuation: 0.05,
      instruments: {
        noise_K: noise,
        offset_K: 0,
        drift_KPerH: 0,
        scaleNoise_kg: 0.005,
        brixNoise_percent: 0.3,
      },
      seed,
      readEvery_s: every,
      most_s: 24 * 3600,
      until: (state, time) => {
        if (gel !== undefined) return state.temperature_C >= gel;
        if (curd !== undefined) return state.temperature_C >= curd;
        if (rule.timedMinutes !== undefined) {
          if (state.temperature_C >= kettle.curve.at(solidsOf(state), state.invertShare) - 0.05)
            boiledFrom ??= time;
          return boiledFrom !== undefined && time - boiledFrom >= rule.timedMinutes * 60;
        }
        return state.water + state.soluble <= wanted;
      },
    });
    const rows = simulation.readings.map(({ time_s, temperature_C, mass_kg, solidsPercent }) =>
      [(time_s / 60).toFixed(2), temperature_C.toFixed(2), mass_kg.toFixed(3), solidsPercent.toFixed(1)].join(
        ',',
      ),
    );
    return {
      out: ['minute,temperature_C,mass_kg,solubleSolidsPercent', ...rows].join('\n'),
      ...(simulation.finished
        ? {}
        : { notes: ['not finished after 24 hours: more heat, or another finish'] }),
    };
  },
};
