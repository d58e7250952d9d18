import type { Balance } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import { fillVolume_ml, filledVolume_ml, QUARTER_INCH_MM } from '../jars/index.js';
import { times, type Range } from '../range/index.js';
import type { Boil } from '../boil-log/index.js';

/**
 * What the jars of a batch hold as they were filled, ml, each as its maker measured it; undefined
 * before they are counted.
 */
export function volumeFilled_ml(
  { jarred }: Pick<Boil, 'jarred'>,
  { jars }: Pick<PotFormula, 'jars'>,
): number | undefined {
  const own = jars.map(({ size, jar }) => ({
    size,
    count: undefined,
    ...(jar.measured_ml !== undefined && { measured_ml: jar.measured_ml }),
  }));
  return jarred.length === 0
    ? undefined
    : filledVolume_ml(jarred, jars[0]?.headspace_mm ?? QUARTER_INCH_MM, own);
}

/** What was computed to come out, ml of those same jars; undefined where nothing was. */
export function volumePlanned_ml(
  { jars }: Pick<PotFormula, 'jars'>,
  planned: Balance | null,
): Range | undefined {
  const volumes = planned?.jars.flatMap(({ count }, i) => {
    const jar = jars[i];
    return jar ? [times(count, fillVolume_ml(jar.jar, jar.headspace_mm))] : [];
  });
  return volumes?.reduce(
    (sum, each) => ({
      low: sum.low + each.low,
      mid: sum.mid + each.mid,
      high: sum.high + each.high,
    }),
    { low: 0, mid: 0, high: 0 },
  );
}
