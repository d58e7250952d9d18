import { FOOT_M, PROCESS_BANDS, type UnitSystem } from '@idle-kettle/core';

/** The altitude bands in the household's unit: "1001 to 3000 ft", "305 to 914 m". */
export const bandWords = (units: UnitSystem): readonly string[] => {
  const per = units === 'us' ? FOOT_M : 1;
  const unit = units === 'us' ? 'ft' : 'm';
  // Rounded down: a metre over the limit belongs to the longer band.
  const limits = PROCESS_BANDS.map(({ upTo_m }) => Math.floor(upTo_m / per + 1e-6));
  return limits.map((limit, i) => {
    const before = limits[i - 1];
    return before === undefined ? `up to ${limit} ${unit}` : `${before + 1} to ${limit} ${unit}`;
  });
};
