import { preparePot } from '../balance/index.js';
import { boilFrom, type BatchEvent, type Boil, type EventBodies } from '../boil-log/index.js';
import { simulateFormula } from '../forecast/index.js';
import {
  readFormula,
  type FormulaDocument,
  type FormulaLine,
  type Kitchen,
} from '../formula/index.js';
import { MINUTE_S } from '../quantity/index.js';
import { boilingPointAt } from '../water/index.js';
import { logFrom } from './log.js';

/** How a batch is cooked, logged and filled. */
export interface Cook {
  readonly document: FormulaDocument;
  readonly kitchen: Kitchen;
  readonly seed: number;
  readonly heat_W?: number;
  /** Stopped so far over (or under) what the formula wants: K on the thermometer, or share of the mass. */
  readonly past?: number;
  /** Boiled on for so long after that, min. */
  readonly hold_min?: number;
  /** The thermometer reads so much too high, K. */
  readonly offset_K?: number;
  /** What is logged of it. */
  readonly logged?: readonly ('thermometer' | 'scale' | 'stirs' | 'jars')[];
  readonly stirEvery_min?: number;
  readonly rest_min?: number;
  /** Of the jars that come out so many are filled, share. */
  readonly filled?: number;
  /** Logged as well. */
  readonly more?: readonly MoreEvent[];
}

type MoreEvent = {
  readonly [T in keyof EventBodies]: {
    readonly type: T;
    /** Seconds after it went on the heat, or after it was done. */
    readonly after_s: number;
    readonly from?: 'done';
    readonly body: EventBodies[T];
  };
}[keyof EventBodies];

const START = Date.parse('2026-08-02T15:00:00.000Z');
const USUAL_LOG = ['thermometer', 'stirs', 'jars'] as const;
const READ_EVERY_S = 10;

/** A batch cooked by the kettle model, as its log has it, and its day, ms since 1970. */
export function cookedBatch(cook: Cook): { readonly boil: Boil; readonly endedAt: number } {
  const { document, kitchen, seed, past = 0, offset_K = 0, logged = USUAL_LOG } = cook;
  const event = logFrom(START);
  const pot = preparePot(readFormula(document, kitchen).formula);
  if (!pot) throw new Error('nothing is in the pan');
  const { finish } = pot.formula;
  const boiling_C = boilingPointAt(kitchen).boilingPoint_C.mid;
  const wanted_C = finish.type === 'curd' ? finish.temperature_C : boiling_C + gelRise_K(pot);
  let reached_s = Infinity;
  const { readings, end_s } = simulateFormula(pot, {
    net_W: () => cook.heat_W ?? 1500,
    instruments: { ...PRECISE, offset_K },
    seed,
    readEvery_s: READ_EVERY_S,
    most_s: 8 * 3600,
    until: ({ temperature_C, water, soluble, insoluble }, time_s) => {
      const isThere = ['gel-temperature', 'curd', 'hard-boil'].includes(finish.type)
        ? temperature_C + offset_K >= (finish.type === 'hard-boil' ? boiling_C : wanted_C + past)
        : water + soluble + insoluble <= pot.outcome.finished * (1 + past);
      if (isThere) reached_s = Math.min(reached_s, time_s);
      return time_s >= reached_s + (cook.hold_min ?? 0) * MINUTE_S;
    },
  });
  const rest_s = (cook.rest_min ?? 6) * MINUTE_S;
  const volumes = pot.outcome.counts.map((count) => count * (cook.filled ?? 1));
  const events: BatchEvent[] = [
    event('light', 0, {
      gelTemperature_C: wanted_C,
      boilingPoint_C: boiling_C,
      altitude_m: kitchen.altitude_m ?? null,
    }),
    event('sugar-in', 30, {}),
    ...readings.flatMap(({ time_s, temperature_C, mass_kg }) => [
      ...(logged.includes('thermometer') ? [event('reading', time_s, { temperature_C })] : []),
      ...(logged.includes('scale') ? [event('weighed', time_s + 1, { mass_kg })] : []),
    ]),
    ...(logged.includes('stirs') ? stirs(end_s, cook.stirEvery_min ?? 3, event) : []),
    ...(finish.type === 'hard-boil' ? [event('minute', reached_s, {})] : []),
    event('done', end_s + 2, {}),
    ...(logged.includes('jars')
      ? [
          event('jarred', end_s + 2 + rest_s, {
            jars: volumes.map((count, i) => ({
              size: pot.formula.jars[i]?.size ?? 'half-pint',
              full: Math.max(Math.floor(count), 1),
              part: 0,
            })),
          }),
        ]
      : []),
    ...(cook.more ?? []).map(({ type, after_s, from, body }) =>
      event(type, from === 'done' ? end_s + after_s : after_s, body as never),
    ),
  ];
  return { boil: boilFrom(events), endedAt: START + end_s * 1000 };
}

const PRECISE = {
  noise_K: 0.1,
  drift_KPerH: 0,
  scaleNoise_kg: 0.003,
  brixNoise_percent: 0.2,
} as const;

const gelRise_K = ({ formula: { finish } }: NonNullable<ReturnType<typeof preparePot>>): number =>
  finish.type === 'gel-temperature' ? finish.rise_K : 0;

function stirs(end_s: number, every_min: number, event: ReturnType<typeof logFrom>): BatchEvent[] {
  const every_s = every_min * MINUTE_S;
  return Array.from({ length: Math.floor((end_s - 1) / every_s) + 1 }, (_, i) =>
    event('stirred', 31 + i * every_s < end_s ? 31 + i * every_s : end_s - 1, {}),
  );
}

/** The same document with one line changed. */
export const withLine = (
  document: FormulaDocument,
  index: number,
  change: Partial<FormulaLine>,
): FormulaDocument => ({
  ...document,
  lines: document.lines.map((line, i) => (i === index ? { ...line, ...change } : line)),
});
