import { VESSELS, type Vessel } from '@idle-kettle/core';
import { logEvent } from '../data/log-event.js';
import { useBatch } from './batch-context.js';

export const VESSEL_WORDS: Readonly<Record<Vessel, string>> = {
  pan: 'a pan at a boil',
  'low-stove': 'a pan on a low stove, lid off',
  'slow-cooker-lid-on': 'a slow cooker, lid on',
  'slow-cooker-lid-ajar': 'a slow cooker, lid ajar',
  'slow-cooker-lid-off': 'a slow cooker, lid off',
  oven: 'a wide pan in the oven',
};

/**
 * What a butter cooks in, and how its lid lies: it decides the hours. Changed whenever the lid is.
 */
export function VesselChoice() {
  const { id, boil, formula } = useBatch();
  if (formula.finish.type !== 'consistency') return null;
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="text-soft">it cooks in</span>
      <select
        className="select w-72"
        value={boil.vessels.at(-1)?.vessel ?? 'low-stove'}
        onChange={(event) => logEvent(id, 'vessel', { vessel: event.target.value as Vessel })}
      >
        {VESSELS.map((vessel) => (
          <option key={vessel} value={vessel}>
            {VESSEL_WORDS[vessel]}
          </option>
        ))}
      </select>
    </label>
  );
}
