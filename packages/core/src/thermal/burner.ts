/** How a burner heats. */
export const BURNERS = ['gas', 'electric', 'induction', 'outdoor'] as const;
export type Burner = (typeof BURNERS)[number];

/**
 * Share of a burner's power that reaches a pan: gas about 45 %, induction about 85 % (appliance
 * tests, from memory); an electric plate between them and an outdoor flame in the wind below, a
 * guess.
 */
const REACHES_PAN: Readonly<Record<Burner, number>> = {
  gas: 0.45,
  electric: 0.7,
  induction: 0.85,
  outdoor: 0.4,
};

/** Heat into a pan, W, from what stands on the burner. @param power_kW 0.2 to 30 */
export const burnerHeat_W = (burner: Burner, power_kW: number): number =>
  power_kW * 1000 * REACHES_PAN[burner];
