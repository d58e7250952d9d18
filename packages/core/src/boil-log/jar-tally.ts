/** Full jars of one size, and how full its part jar is (0 for none). */
export interface JarsFilled {
  readonly size: string;
  readonly full: number;
  readonly part: number;
  /** What a full one holds, where it was weighed, g. */
  readonly net_g?: number;
}

/** The jars of one size in a count. A count that names jars changes only those; see `jarsAfter`. */
export interface JarsCounted extends JarsFilled {
  /** Ids of full jars that were filled, made where each was tapped. */
  readonly added?: readonly string[];
  /** Ids of full jars that were counted by mistake. */
  readonly removed?: readonly string[];
}

/** The jars of one size as they were counted. */
export interface CountedJars {
  /** The id of each full one, given where it was tapped. */
  readonly ids: readonly string[];
  /** How full its part jar is, 0 for none. */
  readonly part: number;
  /** What a full one holds, where it was weighed, g. */
  readonly net_g?: number;
}

/** The jars of a batch by size, in the order the sizes were first filled. */
export type JarTally = ReadonlyMap<string, CountedJars>;

const NONE: CountedJars = { ids: [], part: 0 };

/** A count that says how many there are, of whatever jars: each gets an id all devices agree on. */
const counted = (eventId: string, { size, full }: JarsFilled): readonly string[] =>
  Array.from({ length: full }, (_, i) => `${eventId}/${size}/${i + 1}`);

/**
 * The jars after one more event. An event that names the jars it adds or takes away changes those
 * and no others, so that two devices that count at the same time come to the sum of both. One that
 * names none says how many there are in all.
 */
export function jarsAfter(
  before: JarTally,
  eventId: string,
  { jars }: { readonly jars: readonly JarsCounted[] },
): JarTally {
  const isChange = jars.some(({ added, removed }) => added !== undefined || removed !== undefined);
  const after = new Map(isChange ? before : []);
  for (const each of jars) {
    const { size, part, net_g, added = [], removed = [] } = each;
    const had = (after.get(size) ?? NONE).ids;
    const ids = isChange
      ? [...new Set([...had, ...added])].filter((id) => !removed.includes(id))
      : counted(eventId, each);
    after.set(size, { ids, part, ...(net_g !== undefined && { net_g }) });
  }
  return after;
}

/** How many there are of each size; sizes of which there is none are left out. */
export const jarsFilled = (tally: JarTally): JarsFilled[] =>
  [...tally].flatMap(([size, { ids, part, net_g }]) =>
    ids.length + part > 0
      ? [{ size, full: ids.length, part, ...(net_g !== undefined && { net_g }) }]
      : [],
  );
