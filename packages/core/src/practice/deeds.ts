import type { Aspect, Deed } from './actions.js';
import type { PracticePhase, PracticeRun } from './practice-run.js';

/** A spoonful, kg. */
const SPOONFUL_KG = 0.015;
/** The canner boils again so long after its heat was turned up, s. A guess. */
const CANNER_HEATS_S = 90;

/** Something a cook can do: what choice it belongs to, when it can be done, and what it does. */
interface DeedRule<D extends Deed> {
  readonly aspect: Aspect;
  readonly can: (run: PracticeRun, deed: D) => boolean;
  readonly do: (run: PracticeRun, deed: D) => void;
}

const on =
  (...phases: readonly PracticePhase[]) =>
  ({ phase }: PracticeRun): boolean =>
    phases.includes(phase);
const withPan = on('stove', 'rest');

const tenths = (value: number): number => Math.round(value * 10) / 10;
/** A kitchen scale shows steps of 5 g. */
const shownByScale_kg = (mass_kg: number): number => Math.round(mass_kg * 200) / 200;

/** Every deed, once; a new one that is not here does not compile. */
const DEEDS: { readonly [T in Deed['type']]: DeedRule<Extract<Deed, { type: T }>> } = {
  heat: { aspect: 'heat', can: on('stove'), do: (run, { level }) => run.turn(level) },
  lid: {
    aspect: 'heat',
    can: on('stove'),
    do: (run, { lid }) => {
      run.pan.lid = lid;
      run.record('cooking', { ...run.pan.place, lid });
    },
  },
  stir: {
    aspect: 'stir',
    can: withPan,
    do: (run) => {
      run.pan.stir();
      run.record('stirred', {});
    },
  },
  add: {
    aspect: 'add',
    can: (run, { item }) =>
      withPan(run) && !run.isIn(item) && run.items[item]?.isWithinReach === true,
    do: (run, { item }) => run.putIn(item),
  },
  read: {
    aspect: 'look',
    can: withPan,
    do: (run) => run.record('reading', { temperature_C: tenths(run.pan.reading_C()) }),
  },
  weigh: {
    aspect: 'look',
    can: withPan,
    do: (run) => run.record('weighed', { mass_kg: shownByScale_kg(run.pan.weighing_kg()) }),
  },
  note: { aspect: 'look', can: withPan, do: (run, { text }) => run.record('note', { text }) },
  time: {
    aspect: 'look',
    can: (run) => on('stove')(run) && run.formula.finish.type === 'hard-boil',
    do: (run) => run.record('minute', {}),
  },
  check: {
    aspect: 'look',
    can: ({ phase, checkedIn_C }) => phase !== 'over' && checkedIn_C === undefined,
    do: (run) => {
      run.checkedIn_C = tenths(run.pan.readingInWater_C());
      run.lightLog();
    },
  },
  plate: {
    aspect: 'look',
    can: on('stove'),
    do: (run) => {
      run.pan.take(SPOONFUL_KG);
      run.onPlate = { takenAt_s: run.time_s, firmness: run.pan.firmness() * run.truth.plate };
    },
  },
  push: {
    aspect: 'look',
    can: ({ onPlate }) => onPlate !== undefined,
    do: (run) => {
      run.record('test', { way: 'plate', verdict: run.plateShows() });
      run.onPlate = undefined;
    },
  },
  finish: { aspect: 'finish', can: on('stove'), do: (run) => run.finish() },
  fill: { aspect: 'fill', can: on('rest'), do: (run) => run.fill() },
  process: {
    aspect: 'storage',
    can: (run) => on('jars')(run) && run.processMinutes > 0,
    do: (run) => {
      run.phase = 'canner';
      run.cannerBoilsFrom_s = run.time_s;
      run.startTimer();
    },
  },
  'canner-up': {
    aspect: 'storage',
    can: (run) =>
      on('canner')(run) &&
      run.cannerBoilsFrom_s === undefined &&
      run.cannerBoilsAgainAt_s === undefined,
    do: (run) => {
      run.cannerBoilsAgainAt_s = run.time_s + CANNER_HEATS_S;
    },
  },
  restart: {
    aspect: 'storage',
    can: (run) => on('canner')(run) && run.cannerBoilsFrom_s !== undefined,
    do: (run) => {
      run.record('process-lost', {});
      run.startTimer();
    },
  },
  lift: { aspect: 'storage', can: on('canner'), do: (run) => run.lift() },
  store: {
    aspect: 'storage',
    can: on('jars'),
    do: (run, { keptIn }) => {
      run.storedIn = keptIn;
      run.phase = 'over';
    },
  },
};

const ruleOf = <D extends Deed>(deed: D): DeedRule<D> => DEEDS[deed.type] as unknown as DeedRule<D>;

/** Whether a deed can be done now. */
export const canDoDeed = (run: PracticeRun, deed: Deed): boolean => ruleOf(deed).can(run, deed);

/** Does it now; what cannot be done is not done. @returns whether it was done */
export function doDeed(run: PracticeRun, deed: Deed): boolean {
  if (!canDoDeed(run, deed)) return false;
  run.actions.push({ ...deed, time_s: run.time_s });
  ruleOf(deed).do(run, deed);
  return true;
}

/** What a deed's choice is about. */
export const aspectOf = (type: Deed['type']): Aspect => DEEDS[type].aspect;
