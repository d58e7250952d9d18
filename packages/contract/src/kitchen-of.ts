/*
 * The kitchen as the computation takes it. Apart from the rules of what crosses the wire, so that a
 * page that only reads a kitchen does not fetch them.
 */
import {
  burnerHeat_W,
  taught,
  type Kitchen,
  type Lessons,
  type Pan,
  type PreparedWeight,
  HOUR_MS,
} from '@idle-kettle/core';
import type { KitchenGear } from './gear.js';
import type { KitchenSettings } from './kitchen.js';

/** A kitchen of which nothing is known yet. */
export const emptyGear = (): KitchenGear => ({
  thermometers: [],
  vessels: [],
  burners: [],
  canners: [],
  pectins: [],
  jars: [],
});

/** A barometer tells of that day's weather, hours. */
const PRESSURE_HOLDS_H = 24;

/** Only what is there: a list that is empty, or a figure that is not known, is left out. */
const ifAny = <K extends string, T>(key: K, list: readonly T[]): { [k in K]?: readonly T[] } =>
  list.length > 0 ? ({ [key]: list } as { [k in K]?: readonly T[] }) : {};

type PanGear = KitchenGear['vessels'][number];
const panOf = ({ capacity_l, evaporation_kgPerH }: PanGear) => ({
  ...(capacity_l !== undefined && { capacity_l }),
  ...(evaporation_kgPerH !== undefined && { evaporation_kgPerH }),
});

/** The gear of a kitchen as the computation takes it. */
function gearOf({
  burners,
  vessels,
  usualPanId,
  pectins,
  jars,
}: KitchenGear): Pick<Kitchen, 'pectins' | 'jars' | 'pan' | 'pans' | 'rings'> {
  const rings = burners.flatMap(({ id, kind, power_kW }) =>
    power_kW === undefined ? [] : [{ id, heat_W: burnerHeat_W(kind, power_kW) }],
  );
  // A sugar boil is cooked on the strongest burner.
  const heat_W = Math.max(0, ...rings.map((ring) => ring.heat_W));
  const usual = vessels.find(({ id }) => id === usualPanId);
  const pan: Pan = { ...(usual && panOf(usual)), ...(heat_W > 0 && { heat_W }) };
  const pans = vessels.flatMap((vessel) =>
    vessel.kind === 'pan' ? [{ id: vessel.id, ...panOf(vessel) }] : [],
  );
  const measured = jars.flatMap(({ size, volume_ml }) =>
    volume_ml === undefined ? [] : [{ size, volume_ml }],
  );
  return {
    ...ifAny('pectins', pectins),
    ...ifAny('jars', measured),
    ...(Object.keys(pan).length > 0 && { pan }),
    ...ifAny('pans', pans),
    ...ifAny('rings', rings),
  };
}

/**
 * The kitchen as the computation takes it.
 *
 * @param at milliseconds since 1970: an older pressure is another day's weather and does not count
 * @param lessons what its boils have taught; they count unless the maker switched that off
 */
export function kitchenOf(
  { altitude_m, boilingPoint_C, pressure_kPa, pressureReadAt, gear }: KitchenSettings,
  at: number,
  prepared: readonly PreparedWeight[] = [],
  lessons?: Lessons,
): Kitchen {
  const isFresh =
    pressure_kPa != null &&
    pressureReadAt != null &&
    at - Date.parse(pressureReadAt) < PRESSURE_HOLDS_H * HOUR_MS;
  const kitchen: Kitchen = {
    ...(altitude_m !== null && { altitude_m }),
    ...(boilingPoint_C !== null && { boilingPoint_C }),
    ...(isFresh && { pressure_kPa }),
    ...(gear && gearOf(gear)),
    ...(prepared.length > 0 && { prepared }),
  };
  return lessons && gear?.learning?.used !== false ? taught(kitchen, lessons) : kitchen;
}
