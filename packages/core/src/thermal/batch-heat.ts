import { times, within, type Range } from '../range/index.js';
import { ORDINARY_POT_KG, type PotFormula } from '../formula/index.js';
import { heatForLoss_W } from '../water/index.js';
import { PAN_DIAMETER_M, vesselHeat_W, type Vessel } from './heat-balance.js';

/**
 * A pan whose evaporation was measured gives that heat within a fifth: the flame is not set alike
 * twice. Common practice.
 */
const MEASURED_HEAT = 0.2;
/** A burner of known power gives its heat within about this share. A guess. */
const BURNER_HEAT = 0.35;
/**
 * What a household burner puts into a pan, W: 1 to 2.3 kW and a little either way. Common practice.
 */
const BURNER_W: Range = { low: 950, mid: 1550, high: 2500 };
/** What simmering water gives to a bowl over it, W. A guess. */
const BOWL_W: Range = { low: 300, mid: 420, high: 700 };
/** Open surface of a bowl, m. Common practice. */
const BOWL_DIAMETER_M = 0.18;
/**
 * A butter on a low stove, with what its pot loses to the room; a slow cooker gives less, W. Common
 * practice and a guess.
 */
const BUTTER_W: Range = { low: 270, mid: 480, high: 1000 };
/** Open surface under a lid, m: as much as it lets out. A guess. */
const UNDER_LID_M: Partial<Record<Vessel, number>> = {
  'slow-cooker-lid-on': 0.04,
  'slow-cooker-lid-ajar': 0.12,
  'slow-cooker-lid-off': 0.22,
};

/** The open surface of the pot, m. @param vessel a butter cooks in, where somebody said */
export function openSurface_m({ kind, finish }: PotFormula, vessel?: Vessel): number {
  if (kind === 'curd') return BOWL_DIAMETER_M;
  const lidded =
    finish.type === 'consistency' && vessel !== undefined ? UNDER_LID_M[vessel] : undefined;
  return lidded ?? PAN_DIAMETER_M;
}

/**
 * Heat into the pot, W, 5-95 %: as past boils tell, else the usual pan's own by its evaporation,
 * else that of a household burner.
 *
 * @param mass_kg in the pot
 * @param vessel a butter cooks in, where somebody said
 */
export function heatIntoPan_W(
  { pan, learned, kind, finish }: Pick<PotFormula, 'pan' | 'learned' | 'kind' | 'finish'>,
  mass_kg: number,
  vessel?: Vessel,
): Range {
  if (finish.type === 'consistency')
    return vessel !== undefined && vessel !== 'pan' ? vesselHeat_W(vessel) : BUTTER_W;
  if (kind === 'curd') return BOWL_W;
  const larger = Math.max(mass_kg / ORDINARY_POT_KG, 1);
  if (learned?.heat_W !== undefined) return times(learned.heat_W, larger);
  const rate = pan?.evaporation_kgPerH;
  if (rate !== undefined) return within(heatForLoss_W(rate), MEASURED_HEAT);
  if (pan?.heat_W !== undefined) return within(pan.heat_W, BURNER_HEAT);
  return times(BURNER_W, larger);
}
