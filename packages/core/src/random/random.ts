/** Numbers that look random and are the same for the same seed. */
export interface Random {
  /** Uniform on 0 to 1. */
  readonly uniform: () => number;
  /** Normal with mean 0 and standard deviation 1. */
  readonly normal: () => number;
}

/**
 * A seeded generator: mulberry32 (public domain, common practice) with Marsaglia's polar method for
 * normal numbers.
 *
 * @param seed any whole number
 */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  let spare: number | undefined;
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = (): number => {
    if (spare !== undefined) {
      const value = spare;
      spare = undefined;
      return value;
    }
    for (;;) {
      const u = 2 * uniform() - 1;
      const v = 2 * uniform() - 1;
      const s = u * u + v * v;
      if (s >= 1 || s === 0) continue;
      const scale = Math.sqrt((-2 * Math.log(s)) / s);
      spare = v * scale;
      return u * scale;
    }
  };
  return { uniform, normal };
}
