import type { PotFormula } from '../formula/index.js';
import type { Boil } from './boil.js';
import type { Verdict } from './evidence.js';
import { laterSugar, type Watched } from './watch.js';

/** The one thing to do next at the stove. */
export interface NextAction {
  readonly code: string;
  readonly text: string;
  readonly why: string;
  /** It is done with and not said again once this is logged as a note. */
  readonly once: boolean;
}

const action = (code: string, text: string, why: string, once = false): NextAction => ({
  code,
  text,
  why,
  once,
});

const MINUTE_MS = 60_000;
/** Boiled on after a test that was not there yet, minutes. Common practice. */
const FIVE_MORE = 5;
/** Fruit has usually softened by then, minutes. Common practice. */
const SOFT_AFTER = 10;

/**
 * What to do now, one thing, as a cook beside you would say it. Common practice, no source.
 *
 * @param watched the forecast, where there is one
 * @param now milliseconds since 1970
 */
export function nextAction(
  boil: Boil,
  formula: PotFormula,
  watched: Watched | undefined,
  verdict: Verdict | undefined,
  now: number,
): NextAction | undefined {
  if (boil.startedAt === undefined || boil.phase === 'done') return undefined;
  const said = new Set(boil.log.flatMap(({ event, undone }) => !undone && event.type === 'note' ? [event.body.text] : []));
  const open = (next: NextAction): NextAction | undefined => next.once && said.has(next.text) ? undefined : next;
  const test = boil.log.findLast(({ event, undone }) => !undone && event.type === 'test');
  const onSince = boil.heat.at(-1)?.from ?? boil.startedAt;
  const lastTest = test?.event.type === 'test' ? test.event.body.verdict : undefined;
  const gels = !['curd', 'hard-boil'].includes(formula.finish.type);

  if (boil.phase === 'off-heat') {
    const offAt = boil.heat.at(-1)?.to ?? now;
    if (!test || test.at < offAt)
      return action('test-now', 'Test it now', 'The pot stands off the heat meanwhile: between nearly and done there can be two minutes.');
    return lastTest === 'wrinkles' || lastTest === 'stiff'
      ? action('done', 'It is done: to the jars', 'It wrinkles on the plate.')
      : action('back-on', 'Back on the heat, five minutes more', 'Not there yet; the next test after that.');
  }
  if (formula.finish.type === 'curd') return action('whisk', 'Whisk without stop', 'Over simmering, not boiling, water: it curdles soon after it is done. Top the water up.');
  if (formula.finish.type === 'hard-boil')
    return boil.minute === undefined
      ? action('full-boil', 'Stir until it is at a full rolling boil', 'One that stirring does not stop. Then start the minute.')
      : now < boil.minute.startedAt + formula.finish.minutes * MINUTE_MS
        ? action('hold-boil', 'Keep it rolling and stir', 'It climbs in the pan: mind the foam and your hands.')
        : action('off-now', 'Off the heat: the time is up', 'Boiled longer the pectin loses its strength.');
  if (boil.sugarInAt === undefined && laterSugar(formula).length > 0 && formula.kind !== 'fruit-butter' && (now - boil.startedAt) / MINUTE_MS >= SOFT_AFTER && boil.readings.length < 3)
    return action('sugar', 'Skins soft? Then the sugar goes in', 'It toughens skins that are not. Finger on the spoon: no grains before it boils fast.');
  if (verdict?.says === 'there' || verdict?.says === 'past')
    return action('done', 'It is done: off the heat', verdict.says === 'past' ? 'It is past its point: every minute makes it stiffer.' : 'What was measured and seen says so.');
  if (lastTest !== undefined && test && now - test.at < (FIVE_MORE + 1) * MINUTE_MS && onSince > test.at) {
    const left = Math.ceil((onSince + FIVE_MORE * MINUTE_MS - now) / MINUTE_MS);
    return left > 0
      ? action('five-more', `Boil on, ${left} min to the next test`, 'Stir the base: it catches from here on.')
      : action('test-again', 'Off the heat, and test again', 'Five minutes are over.');
  }
  if (gels && watched) {
    const { low, mid } = watched.forecast.left_s;
    if (low < 150) return action('test-soon', 'Off the heat, and test it', 'It may be there. Burns at over 104 °C: long sleeves, dry cloth.');
    if (mid < 15 * 60 && formula.finish.type !== 'consistency') {
      const plates = open(action('plates', 'Put two plates in the cold', `The first test in about ${Math.max(Math.round(low / 60), 1)} min.`, true));
      if (plates) return plates;
      const jars = open(action('jars-hot', 'Jars hot, canner near temperature?', 'They must be ready the moment the pot is.', true));
      if (jars) return jars;
    }
    if (mid < 8 * 60) return action('stir', 'Stir the base', 'It catches from here on; bubbles grow slow and heavy.');
  }
  if (formula.finish.type === 'consistency') return action('stir-slow', 'Stir now and then, lid off or ajar', 'It spits as it thickens, and catches late. Done when it mounds and no water rings it on a cold plate.');
  return action('watch', boil.readings.length === 0 ? 'Take a reading when it boils' : 'Stir now and then', 'Tip of the thermometer in the middle, off the base. It foams three to four times its height: stay with it.');
} // prettier-ignore
