import { readFileSync } from 'node:fs';
import { createContext, runInContext } from 'node:vm';

interface Region4 {
  /** Saturation temperature, kelvin, at a pressure in MPa. */
  r4_P_Tsat: (pressure_MPa: number) => number;
}

/**
 * The saturation line of the reference steam library `neutriumjs.thermo.iapws97`. The package has
 * no module entry, so its file runs in a context of its own; the only thing it asks of its parent
 * is the gas constant, kJ/(kg K).
 */
export function loadIapws97(): Region4 {
  const file = require.resolve('neutriumjs.thermo.iapws97/src/neutriumJS.thermo.IAPWS97.PT.js');
  const root = {
    NeutriumJS: {
      thermo: { IAPWS97: { CONST: () => 0.461526 } as { CONST: () => number; PT?: Region4 } },
    },
  };
  runInContext(readFileSync(file, 'utf8'), createContext(root));
  const { PT } = root.NeutriumJS.thermo.IAPWS97;
  if (!PT) throw new Error('the steam library did not load');
  return PT;
}
