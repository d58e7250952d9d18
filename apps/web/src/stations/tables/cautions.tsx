import { CAUTIONS, displayName, INGREDIENTS } from '@idle-kettle/core';
import { capital, sentence } from '../../ui/sentence.js';
import { DataTable, Sources } from './data-table.js';

/** What can hurt, by where it does. Common practice and the advice of food authorities. */
const AT_WORK: readonly (readonly [where: string, cautions: readonly string[]])[] = [
  [
    'At the stove',
    [
      'Jam burns at over 104 °C (219 °F) and sticks to the skin: long sleeves, cold water near, never taste it hot.',
      'It foams three to four times its height: fill a pan to a third at most, and stay with it.',
      'Steam burns: lift a lid away from your face.',
      'Blend in batches, the vent open, a towel over the lid: hot fruit spits.',
      'A cold crock or glass on the heat cracks.',
      'Children and pets out of the way; a lid on the pan before it is carried.',
      'An outdoor gas burner never under a roof. Only a slow cooker, a soak or a drip goes on unattended.',
    ],
  ],
  [
    'At the jars',
    [
      'Hot jars for hot food, on wood or a towel: glass cracks when hot meets cold.',
      'No jar with a nick or a crack; new lids every time.',
      'Lift jars straight up, and leave them alone for 12 to 24 h.',
      'No wax, no jars turned over, no oven: none of them replaces processing.',
    ],
  ],
  [
    'In the cupboard',
    [
      'Produce that is not acid enough can grow botulism, which is neither seen, smelt nor tasted. A lid that is down proves nothing.',
      'A bulging lid, spurting, bubbles that rise, mould, or a smell that is not its own: throw it away without tasting.',
      'Jars that were opened, thawed or refrigerated never go back to the shelf.',
      'No honey for children under one year.',
    ],
  ],
  [
    'For others',
    [
      'A label lists allergens: egg, milk, nuts, sulphites.',
      'Selling food made at home is licensed work with rules of its own.',
    ],
  ],
];

/** At most so many names of ingredients, so that a line stays one. */
const NAMES_SHOWN = 6;

function withCaution(caution: (typeof CAUTIONS)[number][0]): string {
  const names = INGREDIENTS.filter(({ cautions }) => cautions.includes(caution)).map((each) =>
    displayName(each, each.usualForm),
  );
  const more = names.length - NAMES_SHOWN;
  return capital(names.slice(0, NAMES_SHOWN).join(', ') + (more > 0 ? ` and ${more} more` : ''));
}

/** What can hurt somebody, in one place. */
export function Cautions() {
  return (
    <section aria-label="Cautions" className="panel p-5">
      <h2 className="text-xl">Cautions</h2>
      {AT_WORK.map(([where, cautions]) => (
        <section key={where} aria-label={where}>
          <h3 className="mt-4 text-lg">{where}</h3>
          <ul className="mt-1 max-w-prose list-disc space-y-1 pl-5">
            {cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </section>
      ))}
      <h3 className="mt-5 text-lg">Ingredients</h3>
      <DataTable
        name="Cautions of ingredients"
        head={['with', 'mind']}
        rows={CAUTIONS.map(([code, text]) => ({
          key: code,
          cells: [withCaution(code), sentence(text)],
        }))}
      />
      <Sources
        sources={[
          'common practice and the advice of food authorities, from memory; your extension service or food authority has the last word',
        ]}
      />
    </section>
  );
}
