import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  ALCOHOL_TEST_RESULTS,
  cautionsOf,
  isProduce,
  MASHED_CUPS,
  parseAmount,
  PECTIN_BY_ALCOHOL_TEST,
  type AlcoholTestResult,
  type PotLine,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { changeLine } from '../../batch/line-edit.js';
import { LineMore } from '../../batch/line-more.js';
import { JuiceBy, JuiceOf } from '../../batch/juice.js';
import { MixtureField } from '../../batch/mixture-field.js';
import { NewLine } from '../../batch/new-line.js';
import { keepWeighing } from '../../data/weighings.js';
import { usePreparedWeights } from '../../data/queries.js';
import { AcidTest } from './acid-test.js';
import { GettingReady } from './getting-ready.js';
import { useFormats } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { sentence } from '../../ui/sentence.js';

/** What is on the table: fruit as bought or prepared, how ripe, and what was measured of it. */
export function Fruit() {
  const { formula } = useBatch();
  const fruit = formula.lines.filter(({ ingredient }) => isProduce(ingredient));
  const cautions = cautionsOf(fruit.map(({ ingredient }) => ingredient));
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div className="flex flex-col gap-4">
        <section aria-label="On the table" className="panel p-3">
          <h2 className="px-2 text-xl">On the table</h2>
          <NewLine />
        </section>
        {fruit.map((line) => (
          <FruitCard key={line.index} pot={line} />
        ))}
        <JuiceBy />
        <MixtureField />
        <Link to="../balance" className="btn btn-primary self-end">
          To the balance
        </Link>
      </div>
      <div className="flex flex-col gap-4">
        <Notice title="Before it is weighed">
          <ul className="mt-1 list-disc space-y-1.5 pl-5">
            <li>Sort out what is bad, wash, then stem, pit or peel; weigh after that.</li>
            <li>
              Ripe fruit gives when squeezed and is dull rather than glossy. Some makers keep a
              quarter under-ripe, for its pectin.
            </li>
            <li>Frozen fruit goes in half thawed, with its drip.</li>
            {cautions
              .filter(({ atWork }) => atWork)
              .map(({ code, text }) => (
                <li key={code}>{sentence(text)}</li>
              ))}
          </ul>
        </Notice>
        <GettingReady />
        <AcidTest fruit={fruit} />
        <AlcoholTest fruit={fruit} />
      </div>
    </div>
  );
}

/** Crushed fruit measured by the cup: how many cups of whole fruit to buy for it. */
function WholeCups({ pot }: { readonly pot: PotLine }) {
  const { amount, form } = pot;
  if (form !== 'crushed' || amount.unit.id !== 'cup') return null;
  const cups = (share: number): number => Math.round(amount.value / share);
  return (
    <p>
      Wants{' '}
      <strong>
        {cups(MASHED_CUPS.high)} to {cups(MASHED_CUPS.low)} cups
      </strong>{' '}
      of whole fruit.
    </p>
  );
}

function FruitCard({ pot }: { readonly pot: PotLine }) {
  const { document, change } = useBatch();
  const formats = useFormats();
  const line = document.lines[pot.index];
  const [prepared, setPrepared] = useState('');
  // A line the log of the boil added is not on the table any more.
  if (!line) return null;
  const { ingredient } = pot;
  const mass_kg = pot.fruit_kg ?? pot.mass_kg;
  const waste = ingredient.wastePercent;
  const bought = pot.form === 'as-bought';
  const toBuy = (share: number | undefined): number => mass_kg.mid / (1 - (share ?? 0) / 100);
  return (
    <section aria-label={pot.label} className="panel p-4">
      <h2 className="text-xl">
        {line.amount} {pot.label}
        {bought && ', as bought'}
      </h2>
      {waste && waste.high > 0.5 && (
        <p className="mt-1">
          {bought ? (
            <>
              Gives about <strong>{formats.mass(mass_kg.mid)}</strong> prepared (
              {formats.mass(mass_kg.low)} to {formats.mass(mass_kg.high)}).
            </>
          ) : (
            <>
              Buy about <strong>{formats.mass(toBuy(waste.mid))}</strong> (
              {formats.mass(toBuy(waste.low))} to {formats.mass(toBuy(waste.high))}):{' '}
              {waste.low.toFixed(0)} to {waste.high.toFixed(0)} % is lost in preparation.
            </>
          )}
        </p>
      )}
      <WholeCups pot={pot} />
      <JuiceOf
        pot={pot}
        line={line}
        onChange={(next) =>
          change(
            '',
            changeLine(pot.index, () => next),
          )
        }
      />
      <Learned ingredient={ingredient.id} />
      {bought && (
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const { form: _, ...kept } = line;
            const weighed = parseAmount(prepared, document);
            if (
              pot.amount.unit.kind === 'mass' &&
              weighed.ok &&
              weighed.amount.unit.kind === 'mass'
            )
              void keepWeighing({
                ingredient: ingredient.id,
                ...(line.variety !== undefined && { variety: line.variety }),
                bought_kg: pot.amount.value * pot.amount.unit.si,
                prepared_kg: weighed.amount.value * weighed.amount.unit.si,
              });
            change(
              '',
              changeLine(pot.index, () => ({ ...kept, amount: prepared.trim() })),
            );
            setPrepared('');
          }}
        >
          <label className="flex flex-col gap-1 text-sm text-soft">
            weighed after preparing
            <input
              className="input w-40 text-base-content"
              placeholder={formats.mass(mass_kg.mid)}
              value={prepared}
              maxLength={40}
              onChange={(event) => setPrepared(event.target.value)}
            />
          </label>
          <button type="submit" className="btn" disabled={prepared.trim() === ''}>
            Use it
          </button>
        </form>
      )}
      <div className="-mx-2 mt-2">
        <LineMore
          line={line}
          ingredient={ingredient}
          index={pot.index}
          onTable
          onChange={(next) =>
            change(
              `more ${pot.index}`,
              changeLine(pot.index, () => next),
            )
          }
        />
      </div>
    </section>
  );
}

/** How often this kitchen has weighed this fruit before and after, and what that said. */
function Learned({ ingredient }: { readonly ingredient: string }) {
  const weighings =
    usePreparedWeights().data?.filter((each) => each.ingredient === ingredient) ?? [];
  if (weighings.length === 0) return null;
  const lost =
    weighings.reduce((sum, each) => sum + 1 - each.prepared_kg / each.bought_kg, 0) /
    weighings.length;
  return (
    <p className="mt-1 text-sm text-soft">
      Your own weighings ({weighings.length}) lost {(lost * 100).toFixed(0)} % on average; they
      count here.
    </p>
  );
}

const RESULT_WORDS: Readonly<Record<AlcoholTestResult, string>> = {
  lump: 'one solid lump: plenty',
  flecks: 'flecks: some',
  nothing: 'nothing: little',
};

/** The value for the table's pectin. */
const NOT_TESTED = 'not tested';

/** The kitchen's own test of pectin; the answer counts for the set of that fruit. */
function AlcoholTest({ fruit }: { readonly fruit: readonly PotLine[] }) {
  const { document, change } = useBatch();
  const [index, setIndex] = useState<number>();
  const chosen = fruit.find((line) => line.index === index) ?? fruit[0];
  if (!chosen) return null;
  const line = document.lines[chosen.index];
  if (!line) return null;
  const now = line.overrides?.pectinPercent;
  const set = (pectinPercent: number | undefined): void =>
    change(
      '',
      changeLine(chosen.index, (was) => {
        const { pectinPercent: _, ...others } = was.overrides ?? {};
        const overrides = pectinPercent === undefined ? others : { ...others, pectinPercent };
        const { overrides: __, ...kept } = was;
        return { ...kept, ...(Object.keys(overrides).length > 0 && { overrides }) };
      }),
    );
  return (
    <section aria-label="Pectin test" className="panel p-4">
      <h2 className="text-xl">Pectin test</h2>
      <p className="mt-1">
        A teaspoon of cooled juice and a tablespoon of rubbing alcohol in a closed jar, turned over
        gently, a minute.
      </p>
      <p className="mt-1 flex items-start gap-2 text-watch">
        <TriangleAlert aria-hidden="true" className="mt-0.5 size-5 shrink-0" />
        Poison: never taste it, and throw it away. Keep it away from heat and flames.
      </p>
      {fruit.length > 1 && (
        <label className="mt-2 flex items-center gap-2 text-sm text-soft">
          of
          <select
            className="select w-48 text-base-content"
            value={chosen.index}
            onChange={(event) => setIndex(Number(event.target.value))}
          >
            {fruit.map((each) => (
              <option key={each.index} value={each.index}>
                {each.label}
              </option>
            ))}
          </select>
        </label>
      )}
      <RadioButtons
        name="What it did"
        options={[
          ...ALCOHOL_TEST_RESULTS.map((result) => [result, RESULT_WORDS[result]] as const),
          [NOT_TESTED, 'not tested'],
        ]}
        value={
          ALCOHOL_TEST_RESULTS.find((result) => now === PECTIN_BY_ALCOHOL_TEST[result]) ??
          NOT_TESTED
        }
        className="mt-3 flex-col items-stretch"
        onChange={(result) =>
          set(result === NOT_TESTED ? undefined : PECTIN_BY_ALCOHOL_TEST[result])
        }
      />
      <p className="mt-2 text-sm text-soft">It counts for the set in place of the table.</p>
    </section>
  );
}
