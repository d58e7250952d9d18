/** Jars of one size. */
export interface SizeCount {
  readonly size: string;
  readonly count: number;
}

/** What fits in a canner at once, by size, each by itself. */
export interface CannerSpace {
  readonly name: string;
  readonly loads: readonly { readonly size: string; readonly jars: number }[];
}

/** How often a canner is filled for these jars. */
export interface CannerLoads {
  readonly name: string;
  /** 1 and up. */
  readonly loads: number;
  /** Jars of the first load; those of the others stay hot meanwhile. */
  readonly first: number;
}

/**
 * Loads of one canner for jars of several sizes: each takes its share of the room. Undefined where
 * it is not said how many of a size fit, or there are no jars.
 */
export function cannerLoads(
  canner: CannerSpace,
  jars: readonly SizeCount[],
): CannerLoads | undefined {
  let room = 0;
  let all = 0;
  for (const { size, count } of jars) {
    if (count <= 0) continue;
    const fit = canner.loads.find((each) => each.size === size)?.jars;
    if (fit === undefined) return undefined;
    room += count / fit;
    all += count;
  }
  if (all === 0) return undefined;
  const loads = Math.max(Math.ceil(room - 1e-9), 1);
  return { name: canner.name, loads, first: loads === 1 ? all : Math.floor(all / room + 1e-9) };
}
