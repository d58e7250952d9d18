import { type Boil, UNSEALED_PLACES, type UnsealedPlace } from '../boil-log/index.js';
import { HOUR_MS } from '../quantity/index.js';

/**
 * Jars cool untouched so long before a lid is pressed, ms: 12 to 24 h. USDA Complete Guide, Guide
 * 1, from memory.
 */
const COOLING_MS = 12 * HOUR_MS;
/** A jar that has not sealed is processed again within so long, ms. Same source. */
const REPROCESS_MS = 24 * HOUR_MS;

/** One full jar and its lid. */
export interface JarSeal {
  /** 1 and up, within its size. */
  readonly number: number;
  /**
   * `unknown` until its lid was pressed; `open` when it had not sealed and nothing was done about
   * it yet; `again` when it was processed again and waits for its lid to be pressed; else where it
   * went.
   */
  readonly state: 'unknown' | 'sealed' | 'open' | 'again' | UnsealedPlace;
}

/** A jar that had not sealed, and went where such jars go. */
export const isSettledUnsealed = (state: JarSeal['state']): state is UnsealedPlace =>
  (UNSEALED_PLACES as readonly string[]).includes(state);

/** The seals of a batch. */
export interface Seals {
  /**
   * `none` where nothing was processed or no jar is full; `cooling` while the lids are left alone;
   * `due` when some are to be pressed; `settled` when every full jar is sealed, in the cold or
   * gone.
   */
  readonly phase: 'none' | 'cooling' | 'due' | 'settled';
  readonly sizes: readonly { readonly size: string; readonly jars: readonly JarSeal[] }[];
  /** From when on the lids may be pressed, milliseconds since 1970. */
  readonly dueAt: number | undefined;
  /** Until when a jar that has not sealed may be processed again. */
  readonly reprocessUntil: number | undefined;
  /**
   * A lid was pressed before its jar had cooled: it can still go either way, and is pressed again.
   */
  readonly tooEarly: boolean;
}

/** What the log says of seals. */
type SealLog = Pick<Boil, 'jarred' | 'processed' | 'processedAt' | 'sealChecks' | 'rescued'>;

const NO_SEALS: Seals = {
  phase: 'none',
  sizes: [],
  dueAt: undefined,
  reprocessUntil: undefined,
  tooEarly: false,
};

/** What one jar's lid tells, with when it may be pressed (again). */
interface LidNow {
  readonly seal: JarSeal;
  /** It was pressed before its jar had cooled. */
  readonly tooEarly: boolean;
  /** Not before this, where it was processed again; milliseconds since 1970. */
  readonly coolAt: number | undefined;
}

/** The checks and rescues that count for the jars of one size. */
interface SizeLog {
  readonly processedAt: number;
  readonly checks: Boil['sealChecks'];
  readonly rescues: Boil['rescued'];
}

/** A rescue counts after the process; a second process, in time and as long as the first. */
function rescuesThatCount(
  { processed, rescued }: SealLog,
  processedAt: number,
  size: string,
): Boil['rescued'] {
  return rescued.filter(
    ({ size: of, at, how, minutes = 0 }) =>
      of === size &&
      at >= processedAt &&
      (how !== 'processed' ||
        (at <= processedAt + REPROCESS_MS && minutes >= (processed?.minutes ?? 0))),
  );
}

/** One jar: where it went, or what its lid was found to be once it had cooled. */
function lidOf({ processedAt, checks, rescues }: SizeLog, number: number): LidNow {
  const rescue = rescues.findLast(({ jars }) => jars.includes(number));
  if (rescue && rescue.how !== 'processed')
    return { seal: { number, state: rescue.how }, tooEarly: false, coolAt: undefined };
  const from = rescue?.at ?? processedAt;
  const cooled = from + COOLING_MS;
  const waiting = (tooEarly: boolean): LidNow => ({
    seal: { number, state: rescue ? 'again' : 'unknown' },
    tooEarly,
    coolAt: rescue && cooled,
  });
  const known = (state: JarSeal['state']): LidNow => ({
    seal: { number, state },
    tooEarly: false,
    coolAt: undefined,
  });
  const lastCheck = checks.at(-1);
  if (!lastCheck || lastCheck.at < from) return waiting(false);
  const foundOpen =
    lastCheck.failed.includes(number) ||
    checks.some(({ at, failed }) => at >= cooled && failed.includes(number));
  if (foundOpen) return known('open');
  return lastCheck.at >= cooled ? known('sealed') : waiting(true);
}

function phaseOf(states: ReadonlySet<JarSeal['state']>, isDue: boolean): Seals['phase'] {
  if (states.has('open')) return 'due';
  if (!states.has('unknown') && !states.has('again')) return 'settled';
  return isDue ? 'due' : 'cooling';
}

/**
 * How the full jars of a batch have sealed, as its log tells: pressed after they cooled, processed
 * again within 24 hours with a new lid, taken into the cold or thrown away.
 *
 * A check before the jars had cooled never says that they are sealed; that a lid is open it does
 * say, until a later one. A cooled lid that was open stays so, however often it is pressed: pushed
 * down it may stick without a seal. A slip is undone. A second process that was shorter than the
 * first one, or came after the 24 hours, leaves the jar open.
 *
 * @param now milliseconds since 1970
 */
export function sealsOf(log: SealLog, now: number): Seals {
  const { jarred, processedAt, sealChecks } = log;
  const full = jarred.filter((jar) => jar.full > 0);
  if (processedAt === undefined || full.length === 0) return NO_SEALS;
  const lids = full.map(({ size, full: count }) => {
    const sizeLog: SizeLog = {
      processedAt,
      checks: sealChecks.filter((each) => each.size === size && each.at >= processedAt),
      rescues: rescuesThatCount(log, processedAt, size),
    };
    return { size, jars: Array.from({ length: count }, (_, i) => lidOf(sizeLog, i + 1)) };
  });
  const all = lids.flatMap(({ jars }) => jars);
  const dueAt = Math.max(
    processedAt + COOLING_MS,
    ...all.flatMap(({ coolAt }) => (coolAt === undefined ? [] : [coolAt])),
  );
  return {
    phase: phaseOf(new Set(all.map(({ seal }) => seal.state)), now >= dueAt),
    sizes: lids.map(({ size, jars }) => ({ size, jars: jars.map(({ seal }) => seal) })),
    dueAt,
    reprocessUntil: processedAt + REPROCESS_MS,
    tooEarly: all.some(({ tooEarly }) => tooEarly),
  };
}

/** The numbers of the jars of a size that are in one of these states. */
export const jarsThatAre = (
  seals: Seals,
  size: string,
  ...states: readonly JarSeal['state'][]
): number[] =>
  seals.sizes
    .find((each) => each.size === size)
    ?.jars.flatMap(({ number, state }) => (states.includes(state) ? [number] : [])) ?? [];
