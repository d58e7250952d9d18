import { syrupBoilingPoint_C } from '../syrup/index.js';

const STEP = 0.015;
const STEPS = 61;
const SHARES = [0, 0.5, 1] as const;

/**
 * The boiling curve at one pressure, solved once on a grid of solids and invert share, so that a
 * boil of hours can be followed second by second. Within 0.03 C of the solver up to 80 % solids
 * (see the tests).
 */
export class BoilingCurve {
  private constructor(
    readonly pressure_kPa: number,
    private readonly grid: Float64Array,
  ) {}

  /**
   * Solves the curve.
   * @param pressure_kPa 45 to 110
   * @param curve which curve of sucrose, 0 to 1; see `waterActivity`
   */
  static solved(pressure_kPa: number, curve = 0.5): BoilingCurve {
    const grid = new Float64Array(STEPS * SHARES.length);
    for (let i = 0; i < STEPS; i++)
      SHARES.forEach((share, j) => {
        grid[i * SHARES.length + j] = syrupBoilingPoint_C(i * STEP, share, pressure_kPa, curve);
      });
    return new BoilingCurve(pressure_kPa, grid);
  }

  /** Between two curves at one pressure. @param share 0 is `a`, 1 is `b` */
  static between(a: BoilingCurve, b: BoilingCurve, share: number): BoilingCurve {
    return new BoilingCurve(
      a.pressure_kPa,
      a.grid.map((value, i) => value + ((b.grid[i] ?? value) - value) * share),
    );
  }

  /**
   * Boiling temperature, Celsius.
   * @param solids mass fraction, 0 to 0.9
   * @param invertShare 0 to 1
   */
  at(solids: number, invertShare: number): number {
    const x = Math.min(Math.max(solids / STEP, 0), STEPS - 1.000001);
    const i = Math.floor(x);
    const here = this.knot(i, invertShare);
    return here + (this.knot(i + 1, invertShare) - here) * (x - i);
  }

  /** Climb of the boiling temperature per mass fraction of solids, K. */
  slope(solids: number, invertShare: number): number {
    const i = Math.floor(Math.min(Math.max(solids / STEP, 0), STEPS - 1.000001));
    return (this.knot(i + 1, invertShare) - this.knot(i, invertShare)) / STEP;
  }

  /** At the i-th solids: the parabola through invert shares 0, 0.5 and 1. */
  private knot(i: number, invertShare: number): number {
    const k = i * 3;
    const a = this.grid[k] ?? 0;
    const b = this.grid[k + 1] ?? 0;
    const c = this.grid[k + 2] ?? 0;
    const v = invertShare * 2;
    return a + v * (b - a) + ((v * (v - 1)) / 2) * (c - 2 * b + a);
  }
}

const kept = new Map<string, BoilingCurve>();
const MOST_KEPT = 24;

/** A curve for this pressure, made once. Pressures within 0.02 kPa (0.005 C) share one. */
export function boilingCurve(pressure_kPa: number, curve = 0.5): BoilingCurve {
  const key = `${Math.round(pressure_kPa * 50)}:${curve}`;
  const found = kept.get(key);
  if (found) return found;
  if (kept.size >= MOST_KEPT) kept.clear();
  const made = BoilingCurve.solved(Math.round(pressure_kPa * 50) / 50, curve);
  kept.set(key, made);
  return made;
}
