import { Printer, X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { BatchSummary, ShoppingBody } from '@idle-kettle/contract';
import {
  LID_SUPPLY,
  shoppingList,
  sumOfNeeds,
  type Need,
  type ShoppingItem,
} from '@idle-kettle/core';
import { useGear } from '../../batch/use-gear.js';
import { useNeedsOf, useStockLeft } from '../../batch/use-supplies.js';
import { now } from '../../data/clock.js';
import { useBatches } from '../../data/queries.js';
import * as dates from '../../ui/dates.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { useFormats } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';

const EMPTY: ShoppingBody = { ticked: [], own: [] };

/** A thing to buy, told by what it is and for which batches: with other batches it is to be bought anew. */
interface Listed extends ShoppingItem {
  readonly key: string;
}
const LONGEST_KEY = 120;
/** So much of an id tells a handful of batches apart. */
const SHORT_ID = 4;

function listed(
  batches: readonly BatchSummary[],
  needs: readonly (readonly Need[] | undefined)[],
  left: ReadonlyMap<string, number>,
): Listed[] {
  const all = needs.map((each) => each ?? []);
  return shoppingList(sumOfNeeds(all), left).map((item) => {
    const takenBy = batches.filter((_, i) =>
      all[i]?.some(({ of, name }) => of === item.of && name === item.name),
    );
    const ids = takenBy.map(({ id }) => id.slice(0, SHORT_ID)).join(' ');
    return { ...item, key: `${item.of} ${item.name} ${ids}`.slice(0, LONGEST_KEY) };
  });
}

/** Batches that are laid out and not begun. */
const isAhead = ({ phase }: BatchSummary): boolean => phase === 'cold';

const batchWords = ({ planned, createdAt }: BatchSummary): string =>
  planned
    ? `${planned.by === 'ready' ? 'ready' : 'start'} ${dates.weekdayDayAndTime(planned.at)}`
    : `laid out ${dates.dayAndMonth(createdAt)}`;

/** What the next batches need, less what is there: ticked off in the shop. */
export function Shopping() {
  const batches = useBatches();
  const { gear: kitchenGear, change } = useGear();
  const list = kitchenGear.shopping ?? EMPTY;
  const ahead = (batches.data ?? []).filter(isAhead);
  // Where nobody chose, it is for what is planned; with nothing planned, for all that is laid out.
  const planned = ahead.filter((each) => each.planned !== null);
  const usual = planned.length > 0 ? planned : ahead;
  const chosenOf = ({ batches: chosen }: ShoppingBody): readonly BatchSummary[] => {
    if (chosen === undefined) return usual;
    const still = ahead.filter(({ id }) => chosen.includes(id));
    // Once the chosen ones are begun, it is for what comes next.
    return still.length === 0 && chosen.length > 0 ? usual : still;
  };
  const forBatches = chosenOf(list);
  const needs = useNeedsOf(forBatches);
  const left = useStockLeft();
  const items = listed(forBatches, needs, left);
  /** Of the latest list: a tap a moment ago may not have been drawn yet. */
  const set = (next: (was: ShoppingBody) => Partial<ShoppingBody>): void =>
    change(({ shopping = EMPTY, ...gear }) => ({
      ...gear,
      shopping: { ...shopping, ...next(shopping) },
    }));
  const choose = (id: string, isWanted: boolean): void =>
    set((was) => {
      const others = chosenOf(was)
        .map((each) => each.id)
        .filter((each) => each !== id);
      return { batches: isWanted ? [...others, id] : others };
    });
  const toggle = (key: string): void =>
    set(({ ticked }) => ({
      ticked: ticked.includes(key) ? ticked.filter((each) => each !== key) : [...ticked, key],
    }));
  const isLoading =
    (batches.isPending && !batches.isError) || needs.some((each) => each === undefined);
  const toBuy = items.filter(({ buy }) => buy > 0);
  const there = items.filter(({ buy }) => buy === 0);
  const open = toBuy.filter((item) => !list.ticked.includes(item.key)).length;
  return (
    <Page
      title="Shopping list"
      lead={
        toBuy.length + list.own.length === 0
          ? 'What the next batches need, less what is there.'
          : `${open + list.own.filter((each) => !list.ticked.includes(each)).length} to buy`
      }
      actions={
        <span className="flex flex-wrap gap-2 print:hidden">
          <Link to="/kitchen/supplies" className="btn">
            Supplies and prices
          </Link>
          <button type="button" className="btn" onClick={() => window.print()}>
            <Printer aria-hidden="true" className="size-5" /> Print
          </button>
        </span>
      }
    >
      {isLoading && <Loading />}
      <div
        className={`${isLoading ? 'hidden' : 'grid'} items-start gap-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]`}
      >
        <section aria-label="To buy" className="panel p-4">
          <h2 className="text-xl">To buy</h2>
          {toBuy.length === 0 && list.own.length === 0 && (
            <Empty title="Nothing to buy">
              {ahead.length === 0
                ? 'Start or plan a batch, and what it needs is listed here.'
                : nothingWords(forBatches.length)}
            </Empty>
          )}
          <ul>
            {toBuy.map((item) => (
              <li key={item.key} className="border-b border-line last:border-b-0">
                <Ticked isTicked={list.ticked.includes(item.key)} onTick={() => toggle(item.key)}>
                  <BuyWords item={item} />
                </Ticked>
              </li>
            ))}
            {list.own.map((words) => (
              <li key={words} className="flex items-center border-b border-line last:border-b-0">
                <Ticked isTicked={list.ticked.includes(words)} onTick={() => toggle(words)}>
                  {words}
                </Ticked>
                <span className="print:hidden">
                  <button
                    type="button"
                    className="btn btn-ghost btn-square size-11"
                    aria-label={`Delete ${words}`}
                    onClick={() =>
                      set(({ own }) => ({ own: own.filter((each) => each !== words) }))
                    }
                  >
                    <X aria-hidden="true" className="size-5" />
                  </button>
                </span>
              </li>
            ))}
          </ul>
          <OwnItem onAdd={(words) => set(({ own }) => ({ own: [...new Set([...own, words])] }))} />
          <PutAway items={toBuy.filter((item) => list.ticked.includes(item.key))} list={list} />
        </section>
        <div className="flex flex-col gap-4 print:hidden">
          <section aria-label="For these batches" className="panel p-4">
            <h2 className="text-xl">For these batches</h2>
            {ahead.length === 0 && <p className="text-soft">No batch is laid out or planned.</p>}
            <ul>
              {ahead.map((batch) => (
                <li key={batch.id}>
                  <label className="flex min-h-[48px] items-center gap-3">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={forBatches.includes(batch)}
                      onChange={({ target: { checked } }) => choose(batch.id, checked)}
                    />
                    <span>
                      {batch.title === '' ? 'Unnamed batch' : batch.title}
                      <span className="block text-sm text-soft">{batchWords(batch)}</span>
                    </span>
                  </label>
                </li>
              ))}
            </ul>
          </section>
          {there.length > 0 && (
            <section aria-label="Already there" className="panel p-4">
              <h2 className="text-xl">Already there</h2>
              <ul className="mt-1 text-soft">
                {there.map((item) => (
                  <li key={item.key} className="py-1">
                    <HaveWords item={item} />
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </div>
    </Page>
  );
}

interface TickedProps {
  readonly isTicked: boolean;
  readonly onTick: () => void;
  readonly children: ReactNode;
}

const nothingWords = (batches: number): string =>
  batches === 0
    ? 'Tick a batch, and what it needs is listed here.'
    : 'Everything the ticked batches need is there.';

/** One thing to buy, crossed out once it is in the basket. */
function Ticked({ isTicked, onTick, children }: TickedProps) {
  return (
    <label className="flex min-h-[48px] flex-1 items-center gap-3">
      <input type="checkbox" className="checkbox" checked={isTicked} onChange={onTick} />
      <span className={isTicked ? 'text-soft line-through' : ''}>{children}</span>
    </label>
  );
}

function useAmount(): (item: ShoppingItem, amount: number) => string {
  const { mass, volume } = useFormats();
  return ({ of, kgPerLitre }, amount) => {
    if (of === LID_SUPPLY) return `${Math.ceil(amount)}`;
    return kgPerLitre === undefined ? mass(amount) : volume((amount / kgPerLitre) * 1000);
  };
}

function BuyWords({ item }: { readonly item: ShoppingItem }) {
  const amount = useAmount();
  return (
    <>
      <strong>{amount(item, item.buy)}</strong> {item.name}
      {item.have !== undefined && (
        <span className="block text-sm text-soft">
          {amount(item, item.amount)} needed, {amount(item, item.have)} there
        </span>
      )}
    </>
  );
}

function HaveWords({ item }: { readonly item: ShoppingItem }) {
  const amount = useAmount();
  return (
    <>
      {capital(item.name)}: {amount(item, item.amount)} needed, {amount(item, item.have ?? 0)} there
    </>
  );
}

function OwnItem({ onAdd }: { readonly onAdd: (words: string) => void }) {
  const [typed, setTyped] = useState('');
  const words = typed.trim();
  return (
    <form
      className="mt-3 flex gap-2 print:hidden"
      onSubmit={(event) => {
        event.preventDefault();
        if (words === '') return;
        onAdd(words);
        setTyped('');
      }}
    >
      <input
        aria-label="Something else to buy"
        className="input min-w-0 flex-1"
        placeholder="something else"
        maxLength={120}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <button type="submit" className="btn" disabled={words === ''}>
        Add
      </button>
    </form>
  );
}

interface PutAwayProps {
  /** What is ticked of what the batches need. */
  readonly items: readonly Listed[];
  readonly list: ShoppingBody;
}

/** Clears what is ticked; what the household keeps a stock of is added to it. */
function PutAway({ items, list }: PutAwayProps) {
  const { gear, change } = useGear();
  const left = useStockLeft();
  const stocked = items.filter(({ of }) => left.has(of));
  const bought = list.own.filter((words) => list.ticked.includes(words));
  if (stocked.length + bought.length === 0) return null;
  const countedAt = new Date(now()).toISOString();
  const putAway = (): void => {
    const before = gear;
    change((was) => ({
      ...was,
      supplies: (was.supplies ?? []).map((supply) => {
        const more = stocked
          .filter(({ of }) => of === supply.of)
          .reduce((sum, { buy }) => sum + buy, 0);
        if (more === 0) return supply;
        return { ...supply, stock: (left.get(supply.of) ?? 0) + more, countedAt };
      }),
      shopping: {
        ...list,
        // Fruit stays ticked until its batch is begun and it leaves the list.
        ticked: items.filter((item) => !stocked.includes(item)).map(({ key }) => key),
        own: list.own.filter((words) => !bought.includes(words)),
      },
    }));
    toast(stocked.length > 0 ? 'Added to the supplies' : 'Cleared', {
      action: { label: 'Undo', onClick: () => change(() => before) },
      duration: 8000,
    });
  };
  return (
    <button type="button" className="btn btn-secondary mt-3 print:hidden" onClick={putAway}>
      {stocked.length > 0
        ? `Add ${stocked.map(({ name }) => name).join(', ')} to the supplies`
        : 'Clear what is bought'}
    </button>
  );
}
