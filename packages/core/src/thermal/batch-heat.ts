import { ORDINARY_POT_KG, type PotFormula } from '../formula/index.js';
import { times, within, type Range } from '../range/index.js';
import { heatForLoss_W, panLoss_kgPerH } from '../water/index.js';
import { PAN_DIAMETER_M, vesselHeat_W, type Vessel } from './heat-balance.js';

/**
 * A pan whose evaporation was measured gives that heat within a fifth: the flame is not set alike
 * twice. Share of it; common practice.
 */
const MEASURED_HEAT_DOUBT = 0.2;
/** A burner of known power gives its heat within about this share. A guess. */
const BURNER_HEAT_DOUBT = 0.35;
/**
 * What a household burner puts into a pan, W: 1 to 2.3 kW and a little either way. Common practice.
 */
const UNKNOWN_BURNER_W: Range = { low: 950, mid: 1550, high: 2500 };
/**
 * Water a pan on an unknown household burner boils off, kg an hour for every kg in it: 1 to 2.3 kW
 * into 3 kg of jam. Bigger batches are taken to be cooked in bigger pans. Common practice.
 */
export const UNKNOWN_EVAPORATION_PER_H: Range = { low: 0.4, mid: 0.62, high: 1 };
/** What simmering water gives to a bowl over it, W. A guess. */
const BOWL_W: Range = { low: 300, mid: 420, high: 700 };
/** Open surface of a bowl, m. Common practice. */
const BOWL_DIAMETER_M = 0.18;
/**
 * A butter on a low stove, with what its pan loses to the room; a slow cooker gives less, W. Common
 * practice and a guess.
 */
const BUTTER_W: Range = { low: 270, mid: 480, high: 1000 };
/** Diameter of the open surface under a lid, m: as much as it lets out. A guess. */
const UNDER_LID_M: Partial<Record<Vessel, number>> = {
  'slow-cooker-lid-on': 0.04,
  'slow-cooker-lid-ajar': 0.12,
  'slow-cooker-lid-off': 0.22,
};
type HeatSources = Pick<PotFormula, 'pan' | 'learned'>;

/**
 * Diameter of the open surface of a batch, m.
 *
 * @param vessel a butter cooks in, where somebody said
 */
export function openSurface_m({ kind, finish }: PotFormula, vessel?: Vessel): number {
  if (kind === 'curd') return BOWL_DIAMETER_M;
  const lidded =
    finish.type === 'consistency' && vessel !== undefined ? UNDER_LID_M[vessel] : undefined;
  return lidded ?? PAN_DIAMETER_M;
}

/**
 * Heat into the pan, W, 5-95 %, where something is known of it: what past boils tell, else the
 * pan's own measured evaporation, else the power of its burner.
 *
 * @param mass_kg in the pan
 * @returns undefined where nothing is known
 */
function knownHeat_W({ pan, learned }: HeatSources, mass_kg: number): Range | undefined {
  if (learned?.heat_W !== undefined)
    return times(learned.heat_W, Math.max(mass_kg / ORDINARY_POT_KG, 1));
  if (pan?.evaporation_kgPerH !== undefined)
    return within(heatForLoss_W(pan.evaporation_kgPerH), MEASURED_HEAT_DOUBT);
  return pan?.heat_W === undefined ? undefined : within(pan.heat_W, BURNER_HEAT_DOUBT);
}

/**
 * Heat into the pan of a batch, W, 5-95 %; of an unknown kitchen that of a household burner.
 *
 * @param mass_kg in the pan
 * @param vessel a butter cooks in, where somebody said
 */
export function heatIntoPan_W(
  formula: HeatSources & Pick<PotFormula, 'kind' | 'finish'>,
  mass_kg: number,
  vessel?: Vessel,
): Range {
  if (formula.finish.type === 'consistency')
    return vessel !== undefined && vessel !== 'pan' ? vesselHeat_W(vessel) : BUTTER_W;
  if (formula.kind === 'curd') return BOWL_W;
  return (
    knownHeat_W(formula, mass_kg) ?? times(UNKNOWN_BURNER_W, Math.max(mass_kg / ORDINARY_POT_KG, 1))
  );
}

/**
 * Water that boils off at a rolling boil, kg an hour for every kg that went in, 5-95 %, by the heat of
 * {@link heatIntoPan_W} where something is known of it.
 *
 * @param mass_kg that went into the pan
 */
export function evaporation_perH(formula: HeatSources, mass_kg: number): Range {
  const heat = knownHeat_W(formula, mass_kg);
  if (!heat) return UNKNOWN_EVAPORATION_PER_H;
  const perKg = (watts: number): number => panLoss_kgPerH(watts) / mass_kg;
  return { low: perKg(heat.low), mid: perKg(heat.mid), high: perKg(heat.high) };
}
