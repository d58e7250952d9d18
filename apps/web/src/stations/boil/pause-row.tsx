import type { Pause } from '@idle-kettle/core';
import { Row } from './entry-row.js';

/** The cook is put off: how it is kept meanwhile, with what has to be minded. */
export function PauseRow({ onPause }: { readonly onPause: (kept: Pause) => void }) {
  return (
    <Row
      title="Pause"
      hint="It comes off the heat and is taken up again later, as it is. Not with eggs or powdered pectin in it: those are finished in one go."
    >
      <ul className="mb-3 list-disc space-y-1 pl-5">
        <li>
          Let it stop steaming; a pan over 100 °C is not carried, and never across children or pets.
        </li>
        <li>
          For the fridge: out of the pan into clean shallow dishes, under 5 °C (41 °F) within six
          hours, and back to the boil the next day.
        </li>
        <li>A cold crock or glass bowl does not go on the heat, nor a hot one into the cold.</li>
      </ul>
      <div className="grid gap-2 sm:max-w-lg sm:grid-cols-2">
        <button type="button" className="btn h-16 text-lg" onClick={() => onPause('cool')}>
          Covered, for some hours
        </button>
        <button type="button" className="btn h-16 text-lg" onClick={() => onPause('fridge')}>
          In the fridge, overnight
        </button>
      </div>
    </Row>
  );
}
