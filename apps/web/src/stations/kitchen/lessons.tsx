import { Link } from 'react-router';
import { toast } from 'sonner';
import type { BoilSaid, LearningBody, LessonsView } from '@idle-kettle/contract';
import { panLoss_kgPerH, type Range, type PanAndBurner } from '@idle-kettle/core';
import { today } from '../../data/clock.js';
import { placeWords } from '../../batch/words.js';
import { useLessons } from '../../data/queries.js';
import { useFormats, type Formats } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { useGear } from '../../batch/use-gear.js';
import * as dates from '../../ui/dates.js';

/** An error smaller than this is the reading of it, K; a share of the jars that does not matter. */
const SAME_K = 0.15;
const SAME_SHARE = 0.005;

/** One or two batches are luck. */
const FEWEST = 3;

const percent = (share: number): string => `${(share * 100).toFixed(0)} %`;

interface Row {
  readonly name: string;
  readonly boils: number;
  readonly word: string;
  readonly range: string;
  readonly without: string;
}

/** What was learned, in words, beside what is believed without it. */
export function rowsOf(
  { lessons }: LessonsView,
  { difference, mass }: Formats,
  nameOf: (panAndBurner: PanAndBurner) => string = () => '',
): Row[] {
  const { offset_K, heat_W, stoves, yieldShare, rise_K, places } = lessons;
  const off = offset_K.value.mid;
  const to = ({ low, high }: Range, show: (value: number) => string): string =>
    `${show(low)} to ${show(high)}`;
  const signed = (kelvin: number): string =>
    `${kelvin < 0 ? '−' : '+'}${difference(Math.abs(kelvin))}`;
  const rate = (heat: number): string => mass(panLoss_kgPerH(heat));
  const share = yieldShare.value.mid;
  return [
    {
      name: 'Thermometer',
      boils: offset_K.boils,
      word:
        Math.abs(off) < SAME_K
          ? 'reads right'
          : `reads ${difference(Math.abs(off))} ${off > 0 ? 'high' : 'low'}`,
      range: to(offset_K.value, signed),
      without: to(offset_K.without, signed),
    },
    {
      name: stoves.length > 0 ? 'Water boiled off, all pans' : 'Water boiled off, usual pan',
      // One pan on one ring is said once.
      boils: stoves[0]?.heat_W.boils === heat_W.boils ? 0 : heat_W.boils,
      word: `${rate(heat_W.value.mid)} an hour`,
      range: to(heat_W.value, rate),
      without: to(heat_W.without, rate),
    },
    ...stoves.map((panAndBurner) => ({
      name: `Water boiled off, ${nameOf(panAndBurner)}`,
      boils: panAndBurner.heat_W.boils,
      word: `${rate(panAndBurner.heat_W.value.mid)} an hour`,
      range: to(panAndBurner.heat_W.value, rate),
      without: to(panAndBurner.heat_W.without, rate),
    })),
    ...places.map(({ loss_kgPerH, ...place }) => ({
      name: `Water lost, ${placeWords(place)}`,
      boils: loss_kgPerH.boils,
      word: `${mass(loss_kgPerH.value.mid)} an hour`,
      range: to(loss_kgPerH.value, mass),
      without: to(loss_kgPerH.without, mass),
    })),
    {
      name: 'What comes to the jars',
      boils: yieldShare.boils,
      word:
        Math.abs(share - 1) < SAME_SHARE
          ? 'as computed'
          : `${percent(Math.abs(share - 1))} ${share > 1 ? 'more' : 'less'} than computed`,
      range: to(yieldShare.value, percent),
      without: to(yieldShare.without, percent),
    },
    {
      name: 'Set you like',
      boils: rise_K.boils,
      word: `${difference(rise_K.value.mid)} over boiling water`,
      range: to(rise_K.value, difference),
      without: to(rise_K.without, difference),
    },
  ];
}

/** What one boil or long cook said, in one line. */
export function saidBy(
  { offset_K, heat_W, yieldShare, losses }: Omit<BoilSaid, 'batchId' | 'title' | 'endedAt'>,
  { difference, mass }: Formats,
): string {
  const parts = [
    offset_K !== null && `thermometer ${offset_K < 0 ? '−' : '+'}${difference(Math.abs(offset_K))}`,
    heat_W !== null && `${mass(panLoss_kgPerH(heat_W))} an hour`,
    yieldShare !== null && `${percent(yieldShare)} to the jars`,
    ...losses.map(
      ({ loss_kgPerH, ...place }) => `${placeWords(place)}: ${mass(loss_kgPerH)} an hour`,
    ),
  ];
  return parts.filter((part) => part !== false).join(', ');
}

/** By how much it helped, in a sentence; undefined before there is enough to compare. */
export function helped({ errors }: Pick<LessonsView, 'errors'>): string | undefined {
  const { yield: jars, minutes } = errors;
  const parts = [
    jars &&
      `the yield ${(jars.with * 100).toFixed(1)} % off instead of ${(jars.without * 100).toFixed(1)} %`,
    minutes &&
      `the time ${minutes.with.toFixed(1)} min off instead of ${minutes.without.toFixed(1)}`,
  ].filter(Boolean);
  const batches = Math.max(jars?.batches ?? 0, minutes?.batches ?? 0);
  return batches < FEWEST
    ? undefined
    : `Forecast from the boils before it, each of the last ${batches} would on the whole have had ${parts.join(' and ')}.`;
}

/** What this kitchen's boils have taught, how that is known, and whether it is used. */
export function Lessons() {
  const { data, isError } = useLessons();
  const { kitchen, gear, change } = useGear();
  const formats = useFormats();
  const { used = true, since } = gear.learning ?? {};
  const set = (learning: LearningBody): void => change((was) => ({ ...was, learning }));
  const forget = (): void => {
    const was = { used, ...(since !== undefined && { since }) };
    set({ used, since: today().toISOString() });
    toast('Learning reset: boils from now on count', {
      action: { label: 'Count the old ones again', onClick: () => set(was) },
      duration: 10_000,
    });
  };
  if (!kitchen || (!data && !isError)) return null;
  const measured = kitchen.boilingPoint_C !== null;
  const nameOf = ({ pan, ring }: PanAndBurner): string => {
    const named = (
      all: readonly { readonly id: string; readonly name: string }[],
      id: string | undefined,
      gone: string,
    ) => (id === undefined ? undefined : (all.find((each) => each.id === id)?.name ?? gone));
    return [
      named(gear.vessels, pan, 'a pan that is gone'),
      named(gear.burners, ring, 'a burner that is gone'),
    ]
      .filter((each) => each !== undefined)
      .join(' on ');
  };
  return (
    <section aria-label="Learned from your boils" className="panel mt-5 p-5">
      <h2 className="text-xl">Learned from your boils</h2>
      <p className="mt-1 max-w-prose text-soft">
        Every boil that is logged to its end says something of your burner, your thermometer and
        your ladle, for the next forecast. The process time never comes from it: that is the
        altitude’s alone.
      </p>
      {!data && (
        <Notice title="It cannot be fetched" tone="care">
          The server does not answer. Forecasts go by the tables until it does.
        </Notice>
      )}
      {data && data.boils.length === 0 && (
        <p className="mt-3">
          {data.pending > 0
            ? 'Looking at past boils …'
            : 'No boil to learn from yet. Log one from the heat to the jars, with a reading every minute or two, or with a probe; of a long cook, two weights or depths an hour apart.'}
        </p>
      )}
      {data && data.boils.length > 0 && (
        <>
          <div
            className="mt-3 overflow-x-auto"
            tabIndex={0}
            role="group"
            aria-label="What was learned"
          >
            <table className="table min-w-[34rem]">
              <thead>
                <tr className="text-soft">
                  <th scope="col">of</th>
                  <th scope="col">here</th>
                  <th scope="col">nine times in ten</th>
                  <th scope="col">without learning</th>
                  <th scope="col">from</th>
                </tr>
              </thead>
              <tbody className="tabular-nums">
                {rowsOf(data, formats, nameOf)
                  .filter(({ boils }) => boils > 0)
                  .map(({ name, word, range, without, boils }) => (
                    <tr key={name}>
                      <th scope="row" className="font-normal">
                        {name}
                      </th>
                      <td className={used ? 'font-bold' : ''}>{word}</td>
                      <td>{range}</td>
                      <td className="text-soft">{without}</td>
                      <td className="whitespace-nowrap">
                        {boils === 1 ? '1 boil' : `${boils} boils`}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
          {measured && (
            <p className="mt-2 text-soft">
              Your thermometer was read in boiling water, which beats what the boils say of it: that
              line is shown only.
            </p>
          )}
          {data.lessons.rise_K.boils > 0 && (
            <p className="mt-2 text-soft">
              The firmness you like is offered at the Balance station beside a stop at the setting
              point; it is in a formula once you tap it.
            </p>
          )}
          <p className="mt-2">
            {helped(data) ?? 'How much it helps is shown after three more boils.'}
          </p>
          {data.pending > 0 && (
            <p className="mt-2 text-soft">{data.pending} more to be looked at …</p>
          )}
          <details className="mt-3">
            <summary className="cursor-pointer py-2">Boil by boil</summary>
            <ul>
              {data.boils.map(({ batchId, title, endedAt, ...said }) => (
                <li
                  key={batchId}
                  className="flex flex-wrap gap-x-4 border-b border-line py-2 last:border-b-0"
                >
                  <Link className="link min-h-11 content-center" to={`/logbook/${batchId}`}>
                    {title}, {dates.day(endedAt)}
                  </Link>
                  <span className="content-center text-soft tabular-nums">
                    {saidBy(said, formats)}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        </>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <label className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="checkbox"
            checked={used}
            onChange={(event) =>
              set({ used: event.target.checked, ...(since !== undefined && { since }) })
            }
          />
          use it in forecasts
        </label>
        {(data?.boils.length ?? 0) > 0 && (
          <button type="button" className="btn btn-ghost" onClick={forget}>
            Reset learning
          </button>
        )}
        {since !== undefined && (
          <span className="text-soft">boils since {dates.day(since)} count</span>
        )}
      </div>
    </section>
  );
}
