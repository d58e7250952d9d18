import { formatDistanceToNow } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { boilingPointAt, type Place } from '@idle-kettle/core';
import type { ThermometerBody } from '@idle-kettle/contract';
import { useFormats, usePreferences, type Formats } from '../../ui/preferences.js';
import { MeasureInput, TextInput } from '../../ui/measure-input.js';
import { Entry, Section } from './section.js';
import { useGear, withEntry, withoutEntry } from '../../batch/use-gear.js';
import { takeOut } from './vessels.js';
import { today } from '../../data/clock.js';
import { newId } from '../../data/ids.js';

/** An error smaller than this is the reading of it, K. */
const SAME_K = 0.3;
/** A thermometer this far off is not mended by allowing for it, K. */
const USELESS_K = 4;

/** What a check in boiling water says of a thermometer that reads this much too high, K. */
function errorWords(off: number, formats: Formats): string {
  if (Math.abs(off) < SAME_K) return 'It reads right.';
  const error = `It reads ${formats.difference(Math.abs(off))} ${off > 0 ? 'high' : 'low'}`;
  return Math.abs(off) > USELESS_K
    ? `${error}: too far to trust, unless the altitude is wrong.`
    : `${error} at the boil; where to stop allows for it.`;
}

/**
 * Boiling water here as it should be: by pressure, else altitude; the thermometer itself is what is
 * being asked.
 */
function boilingHere(place: Place): number {
  const { boilingPoint_C: _, offset_K: _learned, ...known } = place;
  return boilingPointAt(known).boilingPoint_C.mid;
}

/**
 * Thermometers, which one is in use, and the guided check of one in melting ice and in boiling
 * water.
 */
export function Thermometers() {
  const { gear, change } = useGear();
  const { kitchen } = usePreferences();
  const [checking, setChecking] = useState<string>();
  const use = ({ id, boiling_C, checkedAt }: ThermometerBody): void =>
    change((was) => ({ ...was, thermometerId: id }), {
      boilingPoint_C: boiling_C ?? null,
      boilingPointMeasuredAt: boiling_C === undefined ? null : (checkedAt ?? null),
    });
  return (
    <Section
      title="Thermometers"
      lead="Where to stop is read on the thermometer in use, so its error is allowed for once it is known. A careless reading costs more than any formula."
      add={{
        words: 'Add a thermometer',
        act: () => {
          const id = newId();
          change((was) => ({
            ...was,
            thermometers: [...was.thermometers, { id, name: 'New thermometer' }],
          }));
          setChecking(id);
        },
      }}
    >
      <ul>
        {gear.thermometers.map((each) => (
          <Entry
            key={each.id}
            name={each.name}
            onRemove={() =>
              takeOut(change, each.name, gear, ({ thermometerId, ...was }) => ({
                ...was,
                thermometers: withoutEntry(was.thermometers, each.id),
                ...(thermometerId !== undefined && thermometerId !== each.id && { thermometerId }),
              }))
            }
          >
            <TextInput
              label="name"
              value={each.name}
              onChange={(name) =>
                change((was) => ({
                  ...was,
                  thermometers: withEntry(was.thermometers, { ...each, name }),
                }))
              }
            />
            <label className="mt-6 flex min-h-[44px] items-center gap-2">
              <input
                type="radio"
                className="radio"
                name="thermometer"
                checked={gear.thermometerId === each.id}
                onChange={() => use(each)}
              />
              in use
            </label>
            <button
              type="button"
              className="btn mt-6"
              aria-expanded={checking === each.id}
              onClick={() => setChecking(checking === each.id ? undefined : each.id)}
            >
              {checking === each.id ? 'Close the check' : 'Check it'}
            </button>
            <Reads thermometer={each} />
            {checking === each.id && (
              <Check
                thermometer={each}
                expected={boilingHere(kitchen)}
                onDone={(checked) => {
                  change(
                    (was) => ({
                      ...was,
                      thermometers: withEntry(was.thermometers, checked),
                      thermometerId: checked.id,
                    }),
                    {
                      boilingPoint_C: checked.boiling_C ?? null,
                      boilingPointMeasuredAt: checked.checkedAt ?? null,
                    },
                  );
                  setChecking(undefined);
                  toast.success(`${checked.name} is checked and in use`);
                }}
              />
            )}
          </Entry>
        ))}
      </ul>
    </Section>
  );
}

/** How wrong it reads, in words. */
function Reads({
  thermometer: { ice_C, boiling_C, expectedBoiling_C, checkedAt },
}: {
  readonly thermometer: ThermometerBody;
}) {
  const formats = useFormats();
  if (boiling_C === undefined || expectedBoiling_C === undefined)
    return <p className="w-full text-sm text-soft">Not checked yet.</p>;
  const off = (by: number, at: string): string =>
    Math.abs(by) < SAME_K
      ? `right ${at}`
      : `${formats.difference(Math.abs(by))} ${by > 0 ? 'high' : 'low'} ${at}`;
  return (
    <p className="w-full text-sm text-soft">
      Reads {ice_C !== undefined && `${off(ice_C, 'in ice')}, `}
      {off(boiling_C - expectedBoiling_C, 'in boiling water')}
      {checkedAt !== undefined &&
        `; checked ${formatDistanceToNow(new Date(checkedAt), { addSuffix: true })}`}
      .
    </p>
  );
}

interface CheckProps {
  readonly thermometer: ThermometerBody;
  readonly expected: number;
  readonly onDone: (checked: ThermometerBody) => void;
}

/** Ice, then boiling water: two readings, and what they say. */
function Check({ thermometer, expected, onDone }: CheckProps) {
  const formats = useFormats();
  const [ice, setIce] = useState<number>();
  const [boiling, setBoiling] = useState<number>();
  const off = boiling === undefined ? undefined : boiling - expected;
  return (
    <ol aria-label={`Check of ${thermometer.name}`} className="w-full list-decimal space-y-4 pl-6">
      <li>
        <p>
          Fill a glass with crushed ice, top it up with cold water, stir, and wait three minutes.
          Tip in the middle, off the glass. It should read {formats.temperature(0)}.
        </p>
        <MeasureInput
          label="in ice it reads"
          of="celsius"
          value={ice}
          least={-10}
          most={10}
          onChange={setIce}
        />
      </li>
      <li>
        <p>
          Bring water to a full rolling boil. Tip in the middle, off the base; mind the steam. It
          should read about {formats.temperature(expected)} here today.
        </p>
        <MeasureInput
          label="in boiling water it reads"
          of="celsius"
          value={boiling}
          least={75}
          most={108}
          onChange={setBoiling}
        />
      </li>
      {off !== undefined && (
        <li>
          <p role="status">
            {errorWords(off, formats)}
            {ice !== undefined &&
              Math.abs(ice - off) > 1 &&
              ' Its errors in ice and at the boil differ: only the one at the boil is used.'}
          </p>
          <button
            type="button"
            className="btn btn-primary mt-2"
            onClick={() =>
              onDone({
                ...thermometer,
                ...(ice !== undefined && { ice_C: ice }),
                ...(boiling !== undefined && { boiling_C: boiling }),
                expectedBoiling_C: Math.round(expected * 100) / 100,
                checkedAt: today().toISOString(),
              })
            }
          >
            Save and use it
          </button>
        </li>
      )}
    </ol>
  );
}
