import { type Boil, UNSEALED_PLACES, type UnsealedPlace } from '../boil-log/index.js';
import { HOUR_MS } from '../quantity/index.js';

/**
 * Jars cool untouched so long before a lid is pressed, ms: 12 to 24 h. USDA Complete Guide, Guide
 * 1, from memory.
 */
export const COOLING_MS = 12 * HOUR_MS;
/** A jar that has not sealed is processed again within so long, ms. Same source. */
export const REPROCESS_MS = 24 * HOUR_MS;

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

/**
 * How the full jars of a batch have sealed, as its log tells: pressed after they cooled, processed
 * again within 24 hours with a new lid, taken into the cold or thrown out.
 *
 * A check before the jars had cooled never says that they are sealed; that a lid is open it does
 * say, until a later one. A cooled lid that was open stays so, however often it is pressed: pushed
 * down it may stick without a seal. A slip is taken back. A second process that was shorter than
 * the first one, or came after the 24 hours, leaves the jar open.
 *
 * @param now milliseconds since 1970
 */
export function sealsOf(
  {
    jarred,
    processed,
    processedAt,
    sealChecks,
    rescued,
  }: Pick<Boil, 'jarred' | 'processed' | 'processedAt' | 'sealChecks' | 'rescued'>,
  now: number,
): Seals {
  const full = jarred.filter((jar) => jar.full > 0);
  if (processedAt === undefined || full.length === 0)
    return {
      phase: 'none',
      sizes: [],
      dueAt: undefined,
      reprocessUntil: undefined,
      tooEarly: false,
    };
  const counts = ({ at, how, minutes = 0 }: Boil['rescued'][number]): boolean =>
    at >= processedAt &&
    (how !== 'processed' ||
      (at <= processedAt + REPROCESS_MS && minutes >= (processed?.minutes ?? 0)));
  let tooEarly = false;
  let dueAt = processedAt + COOLING_MS;
  const sizes = full.map(({ size, full: count }) => {
    const checks = sealChecks.filter((each) => each.size === size && each.at >= processedAt);
    const check = checks.at(-1);
    const jars = Array.from({ length: count }, (_, i): JarSeal => {
      const number = i + 1;
      const last = rescued.findLast(
        (each) => each.size === size && counts(each) && each.jars.includes(number),
      );
      if (last && last.how !== 'processed') return { number, state: last.how };
      const from = last?.at ?? processedAt;
      const open =
        check?.failed.includes(number) === true ||
        checks.some((each) => each.at >= from + COOLING_MS && each.failed.includes(number));
      if (!check || check.at < from) {
        if (last) dueAt = Math.max(dueAt, from + COOLING_MS);
        return { number, state: last ? 'again' : 'unknown' };
      }
      if (open) return { number, state: 'open' };
      if (check.at >= from + COOLING_MS) return { number, state: 'sealed' };
      tooEarly = true;
      if (last) dueAt = Math.max(dueAt, from + COOLING_MS);
      return { number, state: last ? 'again' : 'unknown' };
    });
    return { size, jars };
  });
  const states = new Set(sizes.flatMap(({ jars }) => jars.map(({ state }) => state)));
  const waiting = states.has('unknown') || states.has('again');
  const phase =
    states.has('open') || (waiting && now >= dueAt) ? 'due' : waiting ? 'cooling' : 'settled';
  return { phase, sizes, dueAt, reprocessUntil: processedAt + REPROCESS_MS, tooEarly };
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
