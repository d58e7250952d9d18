import { MOST_GEAR, type SupplyBody } from '@idle-kettle/contract';
import { INGREDIENTS, ingredientById, LID_SUPPLY } from '@idle-kettle/core';
import { useGear } from '../../batch/use-gear.js';
import { useStockLeft } from '../../batch/use-supplies.js';
import { now } from '../../data/clock.js';
import { MeasureInput } from '../../ui/measure-input.js';
import { useFormats } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import { Entry, Section } from './section.js';
import { takeOut } from './vessels.js';

/** What most kitchens keep a stock of, offered first. */
const USUAL = [
  LID_SUPPLY,
  'white-sugar',
  'jam-sugar',
  'pectin-powder',
  'pectin-calcium',
  'lemon-juice-bottled',
];

const nameOf = (of: string): string =>
  of === LID_SUPPLY ? 'lids' : (ingredientById(of)?.name[1] ?? of);

/** Sugar, pectin, lids: how much is there, and what it costs. */
export function Supplies() {
  const { gear, change } = useGear();
  const formats = useFormats();
  const left = useStockLeft();
  const supplies = gear.supplies ?? [];
  const set = (of: string, next: Partial<SupplyBody>): void =>
    change((was) => ({
      ...was,
      supplies: (was.supplies ?? []).map((each) => {
        if (each.of !== of) return each;
        // A figure that was cleared is left out.
        const merged = Object.entries({ ...each, ...next }).filter(
          ([, value]) => value !== undefined,
        );
        return { ...(Object.fromEntries(merged) as object), of };
      }),
    }));
  const amount = (of: string, value: number): string =>
    of === LID_SUPPLY ? `${Math.floor(value)}` : formats.mass(value);
  const rest = INGREDIENTS.filter(
    ({ id, category }) => category !== 'water' && !USUAL.includes(id),
  ).map(({ id }) => id);
  const unused = [...USUAL, ...rest].filter((of) => !supplies.some((each) => each.of === of));
  return (
    <Section
      title="Supplies and prices"
      lead="Count once; what your batches take from then on is taken off. Prices are optional: with them a jar’s cost is shown beside the jars."
    >
      <label className="mt-3 flex w-28 flex-col gap-1 text-sm text-soft">
        currency
        <input
          className="input text-base-content"
          placeholder="€"
          maxLength={6}
          defaultValue={gear.currency ?? ''}
          key={gear.currency}
          onBlur={({ target: { value } }) => {
            const { currency: _, ...bare } = gear;
            if (value.trim() !== (gear.currency ?? ''))
              change(() => ({ ...bare, ...(value.trim() !== '' && { currency: value.trim() }) }));
          }}
        />
      </label>
      <ul>
        {supplies.map(({ of, stock, countedAt, price, per }) => {
          const unit = of === LID_SUPPLY ? 'number' : 'kilograms';
          const remains = left.get(of);
          return (
            <Entry
              key={of}
              name={nameOf(of)}
              onRemove={() =>
                takeOut(change, capital(nameOf(of)), gear, (was) => ({
                  ...was,
                  supplies: (was.supplies ?? []).filter((each) => each.of !== of),
                }))
              }
            >
              <p className="mt-8 w-40 font-semibold">{capital(nameOf(of))}</p>
              <MeasureInput
                label="counted"
                of={unit}
                value={stock}
                least={0}
                most={5000}
                onChange={(value) =>
                  set(of, {
                    stock: value,
                    countedAt: value === undefined ? undefined : new Date(now()).toISOString(),
                  } as Partial<SupplyBody>)
                }
              />
              <MeasureInput
                label="price"
                of="number"
                className="w-24"
                value={price}
                least={0}
                most={100_000}
                onChange={(value) => set(of, { price: value } as Partial<SupplyBody>)}
              />
              <MeasureInput
                label="for"
                of={unit}
                value={per}
                least={0.001}
                most={5000}
                placeholder={of === LID_SUPPLY ? '12' : formats.mass(1)}
                onChange={(value) => set(of, { per: value } as Partial<SupplyBody>)}
              />
              {stock !== undefined && countedAt !== undefined && remains !== undefined && (
                <p className="w-full text-sm text-soft">
                  {remains === stock
                    ? 'Nothing used since it was counted.'
                    : `About ${amount(of, remains)} left after the batches since.`}
                </p>
              )}
            </Entry>
          );
        })}
      </ul>
      {supplies.length < MOST_GEAR && (
        <label className="mt-3 flex items-center gap-2 text-sm text-soft">
          add
          <select
            className="select w-56 text-base-content"
            value=""
            onChange={(event) =>
              change((was) => ({
                ...was,
                supplies: [...(was.supplies ?? []), { of: event.target.value }],
              }))
            }
          >
            <option value="" disabled>
              choose
            </option>
            {unused.map((of) => (
              <option key={of} value={of}>
                {nameOf(of)}
              </option>
            ))}
          </select>
        </label>
      )}
    </Section>
  );
}
