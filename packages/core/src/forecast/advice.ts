import { FILL_BEFORE_FOAM } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import type { Boil } from '../boil-log/index.js';
import type { CombinedEvidence } from './evidence.js';
import { laterSugar } from '../made-batch/index.js';
import type { WatchedBoil } from './watch-boil.js';
import { MINUTE_MS } from '../quantity/index.js';

/** The one thing to do next at the stove. */
export interface Advice {
  readonly code: string;
  readonly text: string;
  readonly why: string;
  /**
   * What one tap logs when it is done: its text as a note, so that it is not said again, or that
   * the base was stirred.
   */
  readonly tick: 'note' | 'stirred' | undefined;
}

const action = (code: string, text: string, why: string, tick?: Advice['tick']): Advice => ({
  code,
  text,
  why,
  tick,
});

/** Boiled on after a test that was not there yet, minutes. Common practice. */
const FIVE_MORE = 5;
/** Fruit has usually softened by then, minutes. Common practice. */
const SOFT_AFTER = 10;
/**
 * A pot without its sugar boils within this of water, K; with it, it is further up. Common
 * practice.
 */
const NO_SUGAR_K = 1.3;
/**
 * Minutes between two stirrings: fruit softening, with its sugar in, near the end; a butter, and
 * one that thickens. Common practice.
 */
const STIR_EVERY = { soft: 6, sugared: 4, near: 2, butter: 15, thick: 6 } as const;
const NEAR_END_S = 8 * 60;
const THICK_S = 3600;
/** It comes to the boil within this, K, and climbs by as much a minute. Common practice. */
const RISING = { K: 5, K_per_min: 0.7 } as const;
/** Sugar that has just gone in foams up again, minutes. Common practice. */
const FOAMS_FOR = 4;
/**
 * Egg sets this far over the curd's own finish, K: it is curdled. From memory of cookery texts, 82
 * to 85 C.
 */
export const CURDLES_ABOVE_FINISH_K = 6;

/**
 * What to do now, one thing, as a cook beside you would say it. Common practice, no source.
 *
 * @param watched the forecast, where there is one
 * @param now milliseconds since 1970
 * @param fill how full the pan stands before it foams, share of its depth, where the pan is known
 */
export function adviceFor(
  boil: Boil,
  formula: PotFormula,
  watched: WatchedBoil | undefined,
  verdict: CombinedEvidence | undefined,
  now: number,
  fill?: number,
): Advice | undefined {
  if (boil.startedAt === undefined || boil.phase === 'done') return undefined;
  if (boil.phase === 'paused')
    return boil.pauses.at(-1)?.kept === 'fridge'
      ? action(
          'rewarm',
          'Rewarm it slowly, stirring',
          'Cooled in shallow vessels and in the fridge within two hours; boiled on within two or three days. It catches while it is thick and cold.',
        )
      : action(
          'rewarm',
          'Back on the heat today, stirring',
          'Covered and cool for some hours at most; longer, and it belongs in the fridge.',
        );
  const said = new Set(
    boil.log.flatMap(({ event, undone }) =>
      !undone && event.type === 'note' ? [event.body.text] : [],
    ),
  );
  const open = (next: Advice): Advice | undefined =>
    next.tick === 'note' && said.has(next.text) ? undefined : next;
  const test = boil.log.findLast(({ event, undone }) => !undone && event.type === 'test');
  const onSince = boil.heat.at(-1)?.from ?? boil.startedAt;
  const lastTest = test?.event.type === 'test' ? test.event.body.verdict : undefined;
  const gels = !['curd', 'hard-boil'].includes(formula.finish.type);

  if (boil.phase === 'off-heat') {
    const offAt = boil.heat.at(-1)?.to ?? now;
    if (!test || test.at < offAt)
      return action(
        'test-now',
        'Test it now',
        'The pot stands off the heat meanwhile: between nearly and done there can be two minutes.',
      );
    return lastTest === 'wrinkles' || lastTest === 'stiff'
      ? action('done', 'It is done: to the jars', 'It wrinkles on the plate.')
      : action(
          'back-on',
          'Back on the heat, five minutes more',
          'Not there yet; the next test after that.',
        );
  }
  const last = boil.readings.at(-1);
  const before = boil.readings.findLast(
    ({ at }) => last !== undefined && last.at - at >= 40_000 && last.at - at < 5 * MINUTE_MS,
  );
  const climb =
    last && before
      ? (last.temperature_C - before.temperature_C) / ((last.at - before.at) / MINUTE_MS)
      : 0;
  const under_K =
    last && boil.boilingPoint_C !== undefined ? boil.boilingPoint_C - last.temperature_C : Infinity;
  const climbsOver =
    fill !== undefined && fill > FILL_BEFORE_FOAM
      ? `The pan is ${Math.round(fill * 100)} % full, and it foams three to four times its height: it will climb over. Half of it into a second pan, or a lower flame.`
      : 'It foams three to four times its height: stay with it, spoon in hand, ready to take it off.';
  if (formula.finish.type === 'curd') {
    if (last && last.temperature_C >= formula.finish.temperature_C + CURDLES_ABOVE_FINISH_K / 2)
      return action(
        'curdles',
        'Off the heat at once',
        'A little more and the egg curdles. Stand the bowl in cold water, whisk, and sieve it.',
      );
    if (last && last.temperature_C >= formula.finish.temperature_C - 0.2)
      return action(
        'done',
        'It is done: off the water, and sieve it',
        'It coats the spoon; hotter, it curdles.',
      );
  }
  const rising =
    formula.finish.type !== 'curd' &&
    under_K < RISING.K &&
    under_K > -0.3 &&
    climb > RISING.K_per_min;
  const freshSugar = boil.sugarInAt !== undefined && now - boil.sugarInAt < FOAMS_FOR * MINUTE_MS;
  // While the timed boil runs it says so itself, and when it is over nothing else matters.
  if (boil.minute === undefined && (rising || (freshSugar && under_K < 1))) {
    const foam = open(
      action(
        'foam',
        freshSugar
          ? 'Stir until no grain is felt, and watch the foam'
          : 'It comes to the boil: watch the foam',
        climbsOver,
        'note',
      ),
    );
    if (foam) return foam;
  }
  if (formula.finish.type === 'curd')
    return action(
      'whisk',
      'Whisk without stop',
      'Over simmering, not boiling, water: it curdles soon after it is done. Top the water up.',
    );
  if (formula.finish.type === 'hard-boil')
    return boil.minute === undefined
      ? action(
          'full-boil',
          'Stir until it is at a full rolling boil',
          'One that stirring does not stop. Then start the minute.',
        )
      : now < boil.minute.startedAt + formula.finish.minutes * MINUTE_MS
        ? action(
            'hold-boil',
            'Keep it rolling and stir',
            'It climbs in the pan: mind the foam and your hands.',
          )
        : action(
            'off-now',
            'Off the heat: the time is up',
            'Boiled longer the pectin loses its strength.',
          );
  if (
    boil.sugarInAt === undefined &&
    laterSugar(formula).length > 0 &&
    formula.kind !== 'fruit-butter' &&
    (now - boil.startedAt) / MINUTE_MS >= SOFT_AFTER &&
    (last === undefined ||
      boil.boilingPoint_C === undefined ||
      last.temperature_C < boil.boilingPoint_C + NO_SUGAR_K)
  )
    return action(
      'sugar',
      'Skins soft? Then the sugar goes in',
      'It toughens skins that are not. Finger on the spoon: no grains before it boils fast.',
    );
  if (verdict?.says === 'there' || verdict?.says === 'past')
    return action(
      'done',
      'It is done: off the heat',
      verdict.says === 'past'
        ? 'It is past its point: every minute makes it stiffer.'
        : 'What was measured and seen says so.',
    );
  if (
    lastTest !== undefined &&
    test &&
    now - test.at < (FIVE_MORE + 1) * MINUTE_MS &&
    onSince > test.at
  ) {
    const left = Math.ceil((onSince + FIVE_MORE * MINUTE_MS - now) / MINUTE_MS);
    return left > 0
      ? action(
          'five-more',
          `Boil on, ${left} min to the next test`,
          'Stir the base: it catches from here on.',
        )
      : action('test-again', 'Off the heat, and test again', 'Five minutes are over.');
  }
  const left_s = watched?.forecast.left_s.mid ?? Infinity;
  const butter = formula.finish.type === 'consistency';
  const every = butter
    ? left_s < THICK_S
      ? STIR_EVERY.thick
      : STIR_EVERY.butter
    : left_s < NEAR_END_S
      ? STIR_EVERY.near
      : boil.sugarInAt !== undefined || laterSugar(formula).length === 0
        ? STIR_EVERY.sugared
        : STIR_EVERY.soft;
  const stirDue = now - Math.max(boil.stirredAt ?? 0, onSince) >= every * MINUTE_MS;
  if (gels && watched) {
    const { low, mid } = watched.forecast.left_s;
    if (low < 150)
      return action(
        'test-soon',
        'Off the heat, and test it',
        'It may be there. Burns at over 104 °C: long sleeves, dry cloth.',
      );
    if (mid < 15 * 60 && formula.finish.type !== 'consistency') {
      const plates = open(
        action(
          'plates',
          'Put two plates in the cold',
          `The first test in about ${Math.max(Math.round(low / 60), 1)} min.`,
          'note',
        ),
      );
      if (plates) return plates;
      const jars = open(
        action(
          'jars-hot',
          'Jars hot, canner near temperature?',
          'They must be ready the moment the pot is.',
          'note',
        ),
      );
      if (jars) return jars;
    }
  }
  if (stirDue)
    return action(
      'stir',
      'Stir the base',
      left_s < NEAR_END_S
        ? 'It catches from here on; bubbles grow slow and heavy.'
        : `About every ${every} min at this stage: what lies on the base catches first.`,
      'stirred',
    );
  if (formula.finish.type === 'consistency')
    return action(
      'stir-slow',
      'Stir now and then, lid off or ajar',
      'It spits as it thickens, and catches late. Done when it mounds and no water rings it on a cold plate.',
    );
  return action(
    'watch',
    boil.readings.length === 0 ? 'Take a reading when it boils' : 'Stir now and then',
    'Tip of the thermometer in the middle, off the base. It foams three to four times its height: stay with it.',
  );
}
