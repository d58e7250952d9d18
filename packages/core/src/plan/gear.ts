import type { Balance } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import type { Keeping } from '../keeping/index.js';

/** Two flat lids stick together or one is nicked: so many spare. Common practice. */
const SPARE_LIDS = 2;

/** What has to stand ready, a line each. Common practice, no source. */
export function gearFor(
  { kind, finish, lines }: PotFormula,
  balance: Balance,
  { process }: Keeping,
): string[] {
  const jars = balance.readyJars;
  const pot = Math.ceil(balance.pot_l.least);
  return [
    `${jars} clean hot jars, without a nick`,
    `${jars + SPARE_LIDS} new lids (${SPARE_LIDS} spare) and ${jars} bands`,
    kind === 'curd'
      ? 'a bowl over a pan of simmering water, a whisk and a sieve'
      : `a pan of ${pot} l or more: it foams three to four times`,
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
    ...(lines.some(({ form }) => form === 'juice')
      ? ['a cloth and a bowl to drip it through']
      : []),
    ...(lines.some(({ ingredient }) => ingredient.cautions.includes('hot-pepper'))
      ? ['gloves for the peppers']
      : []),
    'a wooden board or towel to stand hot jars on',
  ];
}
