import { ingredientById, PROFILED, type Profiled } from '@idle-kettle/core';
import type { PectinBody } from '@idle-kettle/contract';
import { MeasureInput } from '../../ui/measure-input.js';
import { capital } from '../../ui/sentence.js';
import { Entry, Section } from './section.js';
import { useGear } from '../../batch/use-gear.js';
import { takeOut } from './vessels.js';

const nameOf = (id: Profiled): string => ingredientById(id)?.name[1] ?? id;

const FIELDS = [
  {
    key: 'packageMass_g',
    label: 'one box or pouch',
    of: 'grams',
    least: 5,
    most: 2000,
    not: ['calcium-water'],
  },
  {
    key: 'gramsPerTablespoon',
    label: 'level tablespoon',
    of: 'grams',
    least: 2,
    most: 25,
    not: ['pectin-liquid', 'calcium-water'],
  },
  {
    key: 'pectinPercent',
    label: 'pectin in it, %',
    of: 'number',
    least: 1,
    most: 100,
    not: ['calcium-water'],
  },
  {
    key: 'grade',
    label: 'grade, °SAG',
    of: 'number',
    least: 50,
    most: 300,
    not: ['calcium-water', 'pectin-calcium'],
  },
  {
    key: 'calciumTeaspoons',
    label: 'powder, tsp',
    of: 'number',
    least: 0.1,
    most: 10,
    not: PROFILED.filter((id) => id !== 'calcium-water'),
  },
  {
    key: 'calciumWater_ml',
    label: 'in water',
    of: 'millilitres',
    least: 20,
    most: 2000,
    not: PROFILED.filter((id) => id !== 'calcium-water'),
  },
] as const satisfies readonly {
  key: keyof PectinBody;
  not: readonly Profiled[];
  [other: string]: unknown;
}[];

/**
 * Pectin products as their makers describe them; without a profile the generic strength is used.
 */
export function Pectins() {
  const { gear, change } = useGear();
  const unused = PROFILED.filter((id) => !gear.pectins.some(({ ingredient }) => ingredient === id));
  const set = (profile: PectinBody): void =>
    change((was) => ({
      ...was,
      pectins: was.pectins.map((each) => (each.ingredient === profile.ingredient ? profile : each)),
    }));
  return (
    <Section
      title="Pectin"
      lead="Products differ by maker. Write what yours says; what you leave empty is taken as generic. It counts for the set and never makes the storage kinder."
    >
      <ul>
        {gear.pectins.map((profile) => (
          <Entry
            key={profile.ingredient}
            name={nameOf(profile.ingredient)}
            onRemove={() =>
              takeOut(change, capital(nameOf(profile.ingredient)), gear, (was) => ({
                ...was,
                pectins: was.pectins.filter(({ ingredient }) => ingredient !== profile.ingredient),
              }))
            }
          >
            <h3 className="w-full text-lg">{capital(nameOf(profile.ingredient))}</h3>
            {FIELDS.filter(
              ({ not }) => !(not as readonly Profiled[]).includes(profile.ingredient),
            ).map(({ key, label, of, least, most }) => (
              <MeasureInput
                key={key}
                label={label}
                of={of}
                value={profile[key]}
                least={least}
                most={most}
                placeholder="generic"
                onChange={(value) => {
                  const { [key]: _, ...rest } = profile;
                  set({ ...rest, ...(value !== undefined && { [key]: value }) });
                }}
              />
            ))}
          </Entry>
        ))}
      </ul>
      {unused.length > 0 && (
        <div className="mt-3 flex flex-wrap gap-2">
          {unused.map((id) => (
            <button
              key={id}
              type="button"
              className="btn"
              onClick={() =>
                change((was) => ({ ...was, pectins: [...was.pectins, { ingredient: id }] }))
              }
            >
              Describe my {nameOf(id)}
            </button>
          ))}
        </div>
      )}
    </Section>
  );
}
