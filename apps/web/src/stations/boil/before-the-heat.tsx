import { useState } from 'react';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { Link } from 'react-router';
import {
  boilingPointAt,
  GEL_RISE_C,
  gelTemperature_C,
  type PanAndBurner,
  type PotFormula,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { CookingPlaceChoice, useIsLongCook } from '../../batch/cooking-place.js';
import { MixtureField } from '../../batch/mixture-field.js';
import { isByTemperature, stopWords } from '../../batch/words.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { logEvent } from '../../data/log-event.js';
import { spanWords } from '../../ui/length-words.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { Instruments } from './instruments.js';
import { PanChoice, usePanAndBurner } from './pan-choice.js';

/** What to know and to have ready, and the tap that starts the clock. */
export function BeforeTheHeat() {
  const { id, formula, balance, isLogKnown } = useBatch();
  const { kitchen: place } = usePreferences();
  const formats = useFormats();
  const isLongCook = useIsLongCook();
  const boilingPoint_C = boilingPointAt(place).boilingPoint_C.mid;
  const { isPlaceKnown } = usePreferences();
  const stop_C = balance ? balance.finish.temperature_C?.mid : gelTemperature_C(place);
  // What is cooked by its looks needs no place; a boil does.
  const byLooks = formula.finish.type === 'consistency' || formula.kind === 'curd';
  const isPlaceMissing = !isPlaceKnown && !byLooks;
  // It may be on the heat already: a second start would begin its clock anew.
  const ready = formula.lines.length > 0 && !isPlaceMissing && isLogKnown;
  const { panAndBurner: usual, gear } = usePanAndBurner();
  const [chosen, setChosen] = useState<PanAndBurner>();
  const panAndBurner = chosen ?? usual;
  // A butter says what it cooks in; a curd stands over water.
  const onRing = !isLongCook && formula.kind !== 'curd';
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      <section aria-label="Stop at" className="panel p-5">
        {isLongCook && balance ? (
          <>
            <p className="text-soft">{stopWords(formula, balance, formats).lead}</p>
            <p className="display text-[38px] leading-tight sm:text-[46px]">
              {stopWords(formula, balance, formats).words}
            </p>
            <p className="mt-2 text-soft">
              In all {spanWords(balance.cook.minutes.low, balance.cook.minutes.high)}, from{' '}
              {formats.mass(balance.massIn_kg.mid)} to about{' '}
              {formats.mass(balance.finish.mass_kg.mid)}.
            </p>
          </>
        ) : (
          <StopAt stop_C={stop_C} boilingPoint_C={boilingPoint_C} isPlaceMissing={isPlaceMissing} />
        )}
        <div className="mt-3 empty:hidden">
          <CookingPlaceChoice />
          {gear && onRing && (
            <div className="flex flex-col gap-2 empty:hidden">
              <PanChoice gear={gear} panAndBurner={panAndBurner} onChange={setChosen} />
            </div>
          )}
        </div>
        <button
          {...shortcutTarget('start')}
          type="button"
          className="btn btn-primary mt-5 h-[68px] w-full text-xl"
          disabled={!ready}
          onClick={() =>
            logEvent(id, 'light', {
              gelTemperature_C: Math.round((stop_C ?? boilingPoint_C + GEL_RISE_C) * 100) / 100,
              boilingPoint_C: Math.round(boilingPoint_C * 100) / 100,
              altitude_m: place.altitude_m === undefined ? null : Math.round(place.altitude_m),
              ...(onRing && panAndBurner),
            })
          }
        >
          Start cooking
        </button>
        {!isLogKnown && (
          <p role="status" className="mt-2 text-watch">
            The log of this batch cannot be read now: it may be on the heat already. This waits
            until the server answers.
          </p>
        )}
        {formula.lines.length === 0 && (
          <p className="mt-2 text-soft">
            Nothing is in the pan yet:{' '}
            <Link to="../balance" className="link">
              Balance
            </Link>{' '}
            comes first.
          </p>
        )}
        {balance && (
          <p className="mt-3 text-soft">
            Have {balance.readyJars} clean jars hot before it is done.
          </p>
        )}
      </section>
      <Notice title="Before it boils" tone="care">
        <ul className="mt-1 list-disc space-y-1.5 pl-5">
          {beforeItBoils(formula).map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
      </Notice>
      <div className="flex flex-col gap-4 lg:col-span-2">
        <MixtureField />
        <Instruments />
      </div>
    </div>
  );
}

interface StopAtProps {
  readonly stop_C: number | undefined;
  readonly boilingPoint_C: number;
  readonly isPlaceMissing: boolean;
}

/** The temperature to stop at, and where it comes from. */
function StopAt({ stop_C, boilingPoint_C, isPlaceMissing }: StopAtProps) {
  const { formula } = useBatch();
  const { kitchen: place } = usePreferences();
  const formats = useFormats();
  if (stop_C === undefined || isPlaceMissing) return <PlaceMissing />;
  return (
    <>
      <p className="text-soft">
        {isByTemperature(formula.finish) ? 'stop at, here today' : 'about, at the finish'}
      </p>
      <p className="display text-[58px] leading-none sm:text-[76px]">{formats.degrees(stop_C)}</p>
      <p className="mt-2 text-soft">
        Water boils here at {formats.temperature(boilingPoint_C)}
        {place.boilingPoint_C === undefined ? (
          <>
            , by the altitude. A boiling test with this thermometer is surer:{' '}
            <Link to="/kitchen" className="link">
              Kitchen
            </Link>
            .
          </>
        ) : (
          ', as measured with this thermometer.'
        )}
      </p>
    </>
  );
}

const ACID_PANS =
  'Acid fruit does not stand in copper or bare aluminium: into such a pan only to boil, with the sugar in, and out of it at once.';

/** What to mind before this batch goes on the heat. Common practice. */
function beforeItBoils({ kind, finish, stages }: PotFormula): readonly string[] {
  if (kind === 'curd')
    return [
      'Eggs at room temperature. The water under the bowl simmers and does not touch it.',
      'Steam burns: lift the bowl away from you. Children and pets out of the way.',
      'Thermometer tip in the middle of the curd, off the base; whisk constantly to 77 °C (170 °F).',
    ];
  if (finish.type === 'consistency' || stages.length > 0)
    return [
      'Thick purée spits: long sleeves, a long spoon, children and pets out of the way.',
      'Mark how deep it is at the start: how far it is down tells the forecast what is left.',
      'Only a slow cooker is left alone, on a bare, heat-proof surface. A cold crock never goes on heat, and outdoor gas never under a roof.',
      'A cold plate for the thickness.',
      ACID_PANS,
    ];
  return [
    'It burns at over 104 °C (219 °F) and sticks to skin: long sleeves, children and pets out of the way, cold water near.',
    'Fill the pan to a quarter of its depth, at most a third. The foam rises three to four times.',
    ACID_PANS,
    ...(finish.type === 'hard-boil' ? [] : ['Put two plates in the cold for the test.']),
    'Thermometer tip in the middle of the liquid, off the base, the pan stirred, the reading steady.',
  ];
}

/** Nothing is shown in place of a temperature nobody knows. */
function PlaceMissing() {
  if (!useKitchenInUse()) return <p className="text-soft">Looking up this kitchen…</p>;
  return (
    <>
      <p className="text-xl">Where to stop depends on the altitude</p>
      <p className="mt-2 text-soft">
        Water boils cooler higher up, so a sea-level figure would burn the pan in the hills. Enter
        the altitude, or what your thermometer shows in boiling water, at Kitchen.
      </p>
      <Link to="/kitchen" className="btn btn-primary mt-3">
        Enter the altitude
      </Link>
    </>
  );
}
