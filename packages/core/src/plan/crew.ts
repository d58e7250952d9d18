import type { Schedule, Timed } from './schedule.js';
import { MINUTE_MS } from '../quantity/index.js';

/** What one person does in a stretch of a big day. Milliseconds since 1970. */
export interface Duty {
  readonly code: string;
  /** "stirs", "fills", "wipes rims", "lids and counts", or the step itself. */
  readonly role: string;
  readonly who: string;
  readonly from: number;
  readonly to: number;
}

/** One stirs for so long, then the next: a fast boil, and a butter. Common practice. */
const TURN_MIN = { fast: 10, slow: 30 } as const;
/** Who stands where while jars are filled, by how many there are. Common practice. */
const AT_THE_JARS = [
  ['fills, wipes and lids'],
  ['fills', 'wipes rims and lids'],
  ['fills', 'wipes rims', 'lids and counts'],
] as const;
const STIRRED = /^(?:soften|soften-peel|sugar|bring-up|boil|cook(?:-\d+)?|simmer)$/;

/**
 * Who does what on a big day: stirring by turns, three places at the jars, everything else by
 * whoever has done least and has a hand free. Common practice, no source.
 *
 * @param names of the crew, one or more
 * @returns in order of time; steps that are done or do themselves are left out
 */
export function crewDuties(plan: Schedule, names: readonly string[]): Duty[] {
  if (names.length === 0) return [];
  const duties: Duty[] = [];
  const minutes = new Map(names.map((name) => [name, 0]));
  const give = (
    step: Timed,
    role: string,
    from: number,
    to: number,
    not: readonly string[] = [],
  ): string => {
    const free = (name: string): boolean =>
      !not.includes(name) &&
      !duties.some((each) => each.who === name && each.from < to && from < each.to);
    const least = (list: readonly string[]): string | undefined =>
      [...list].sort((a, b) => (minutes.get(a) ?? 0) - (minutes.get(b) ?? 0))[0];
    const who =
      least(names.filter(free)) ??
      least(names.filter((name) => !not.includes(name))) ??
      names[0] ??
      '';
    minutes.set(who, (minutes.get(who) ?? 0) + (to - from) / MINUTE_MS);
    duties.push({ code: step.code, role, who, from, to });
    return who;
  };
  for (const step of plan.steps) {
    if (step.doneAt !== undefined || step.attention === 'hands-off') continue;
    if (step.code === 'fill') {
      const places = AT_THE_JARS[Math.min(names.length, AT_THE_JARS.length) - 1] ?? AT_THE_JARS[0];
      const taken: string[] = [];
      for (const role of places) taken.push(give(step, role, step.start, step.end, taken));
    } else if (STIRRED.test(step.code)) {
      const turn = (step.attention === 'cannot-leave' ? TURN_MIN.fast : TURN_MIN.slow) * MINUTE_MS;
      let before: string[] = [];
      for (let from = step.start; from < step.end; from += turn) {
        // A last stretch too short to change over for is the one's before it.
        const to = step.end - from < turn * 1.5 ? step.end : from + turn;
        before = [give(step, 'stirs', from, to, names.length > 1 ? before : [])];
        if (to === step.end) break;
      }
    } else give(step, step.text, step.start, step.end);
  }
  return duties.sort((a, b) => a.from - b.from);
}
