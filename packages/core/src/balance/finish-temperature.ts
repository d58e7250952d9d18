import type { Range } from '../range/index.js';
import { boilingPointElevation_K } from '../syrup/index.js';
import type { Place } from '../water/index.js';
import type { PreparedPot } from './prepare.js';

/** Whether anything is known of how hot water boils there. */
const isKnown = ({ altitude_m, pressure_kPa, boilingPoint_C }: Place): boolean =>
  altitude_m !== undefined || pressure_kPa !== undefined || boilingPoint_C !== undefined;

/**
 * Where to stop on the thermometer in use, and where water boils there, Celsius. Without a known
 * place there is no temperature to stop at: sea level would be degrees too hot in the hills. A curd
 * is cooked to the same anywhere.
 *
 * @param solids soluble solids of the liquid at the finish, per cent
 */
export function finishTemperature(
  { formula, rule, outcome, rules }: PreparedPot,
  solids: Range,
): { temperature_C: Range | null; boilingPointOfWater_C: Range } {
  const water = rule.boilingPoint_C;
  const plus = (low: number, mid: number, high: number): Range => ({
    low: water.low + low,
    mid: water.mid + mid,
    high: water.high + high,
  });
  if (formula.finish.type !== 'curd' && !isKnown(formula.place))
    return { temperature_C: null, boilingPointOfWater_C: water };
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
