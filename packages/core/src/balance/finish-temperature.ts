import type { Range } from '../range/index.js';
import { boilingPointElevation_K } from '../syrup/index.js';
import type { PreparedPot } from './prepare.js';

/**
 * Where to stop on the thermometer in use, and where water boils there, Celsius.
 *
 * @param solids soluble solids of the liquid at the finish, per cent
 */
export function finishTemperature(
  { formula, rule, outcome, rules }: PreparedPot,
  solids: Range,
): { temperature_C: Range; boilingPointOfWater_C: Range } {
  const water = rule.boilingPoint_C;
  const plus = (low: number, mid: number, high: number): Range => ({
    low: water.low + low,
    mid: water.mid + mid,
    high: water.high + high,
  });
  switch (formula.finish.type) {
    case 'curd':
      return {
        boilingPointOfWater_C: water,
        temperature_C: {
          low: rules.curdTemperature_C - 1,
          mid: rules.curdTemperature_C,
          high: rules.curdTemperature_C + 1,
        },
      };
    case 'gel-temperature': {
      const rise = formula.finish.rise_K;
      return { boilingPointOfWater_C: water, temperature_C: plus(rise, rise, rise) };
    }
    default: {
      const rise = (percent: number): number =>
        boilingPointElevation_K(
          Math.min(percent / 100, 0.92),
          outcome.invertShare,
          rule.pressure_kPa,
        );
      return {
        boilingPointOfWater_C: water,
        temperature_C: plus(rise(solids.low), rise(solids.mid), rise(solids.high)),
      };
    }
  }
}
