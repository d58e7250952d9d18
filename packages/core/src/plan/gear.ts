import { FILL_WITHOUT_FOAM, fillOfPan, type Balance } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import type { Keeping } from '../keeping/index.js';
import { cookOf } from '../thermal/index.js';
import { preparationOf } from './preparation.js';

/** Two flat lids stick together or one is nicked: so many spare. Common practice. */
const SPARE_LIDS = 2;

/** What it is cooked in. */
function panFor(formula: PotFormula, { pot_l: { fill, least } }: Balance): string {
  if (formula.kind === 'curd') return 'a bowl over a pan of simmering water, a whisk and a sieve';
  const where = cookOf(formula)[0]?.where;
  if (where === 'slow-cooker')
    return `a slow cooker of ${Math.ceil(fill / FILL_WITHOUT_FOAM)} l or more`;
  if (where === 'outdoor-burner')
    return `an outdoor burner and a pan of ${Math.ceil(fill / FILL_WITHOUT_FOAM)} l, or less when it is loaded as it cooks down; a long paddle`;
  return fillOfPan(formula) === FILL_WITHOUT_FOAM
    ? `a wide pan of ${Math.ceil(fill / FILL_WITHOUT_FOAM)} l or more`
    : `a pan of ${Math.ceil(least)} l or more: it foams three to four times`;
}

/** What has to stand ready, a line each. Common practice, no source. */
export function gearFor(formula: PotFormula, balance: Balance, { process }: Keeping): string[] {
  const { finish, lines } = formula;
  const jars = balance.readyJars;
  return [
    `${jars} clean hot jars, without a nick`,
    `${jars + SPARE_LIDS} new lids (${SPARE_LIDS} spare) and ${jars} bands`,
    panFor(formula, balance),
    'a long spoon, ladle and wide funnel, cloths',
    finish.type === 'consistency' ? 'a cold plate' : 'a thermometer, checked in boiling water',
    ...(finish.type === 'gel-temperature' || finish.type === 'soluble-solids'
      ? ['two or three plates for the freezer']
      : []),
    ...(process
      ? [
          `a ${process.method === 'steam' ? 'steam' : 'boiling-water'} canner with its rack, jar lifter, and a kettle for topping up`,
          'a little vinegar for the rims and the canner water',
        ]
      : []),
    ...(preparationOf(formula).some(({ code }) => code === 'drip')
      ? ['a cloth and a bowl to drip it through']
      : []),
    ...(lines.some(({ ingredient }) => ingredient.cautions.includes('hot-pepper'))
      ? ['gloves for the peppers']
      : []),
    'a wooden board or towel to stand hot jars on',
  ];
}
