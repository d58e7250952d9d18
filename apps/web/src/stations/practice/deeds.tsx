import { memo } from 'react';
import type { Deed, Lid } from '@idle-kettle/core';
import { clock } from '../../ui/now.js';
import { useFormats } from '../../ui/preferences.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { shortcutTarget } from '../../ui/shortcuts.js';
import type { PracticeView, TableItem } from './practice-game.js';
import { HEAT_WORDS } from './words.js';

type Act = (deed: Deed) => void;

/** The burner, from off to full. */
export const HeatChoice = memo(function HeatChoice({
  heat,
  isGentle,
  onAct,
}: {
  readonly heat: number;
  readonly isGentle: boolean;
  readonly onAct: Act;
}) {
  const levels = isGentle ? ([0, 1, 4] as const) : ([0, 1, 2, 3, 4] as const);
  const words = (level: number): string =>
    isGentle && level === 4 ? 'high' : (HEAT_WORDS[level] ?? '');
  return (
    <div {...shortcutTarget('heat')} tabIndex={-1}>
      <p className="text-sm text-soft">Heat</p>
      <RadioButtons
        name="Heat"
        className="max-sm:[&_.btn]:px-2.5"
        options={levels.map((level) => [String(level), words(level)] as const)}
        value={String(heat)}
        onChange={(level) => onAct({ type: 'heat', level: Number(level) })}
      />
    </div>
  );
});

const LID_WORDS = [
  ['on', 'lid on'],
  ['ajar', 'lid ajar'],
  ['off', 'lid off'],
] as const;

export const LidChoice = memo(function LidChoice({
  lid,
  onAct,
}: {
  readonly lid: Lid;
  readonly onAct: Act;
}) {
  return (
    <RadioButtons
      name="Lid"
      options={LID_WORDS}
      value={lid}
      onChange={(each) => onAct({ type: 'lid', lid: each })}
    />
  );
});

/** What stands ready, a button each. */
export const OnTheTable = memo(function OnTheTable({
  items,
  isOpen,
  onAct,
}: {
  readonly items: readonly TableItem[];
  readonly isOpen: boolean;
  readonly onAct: Act;
}) {
  const ready = items.filter(({ isIn, isWithinReach }) => !isIn && isWithinReach);
  return (
    <section aria-label="On the table">
      <p className="text-sm text-soft">On the table</p>
      {ready.length === 0 && <p>Nothing is left: everything is in.</p>}
      <div className="flex flex-wrap gap-2">
        {ready.map(({ index, text, isPlanned }, i) => (
          <button
            key={index}
            type="button"
            className={`btn h-auto min-h-[44px] py-2 ${isPlanned ? 'btn-secondary' : ''}`}
            disabled={!isOpen}
            onClick={() => onAct({ type: 'add', item: index })}
            {...(i === 0 && shortcutTarget('addition'))}
          >
            Put in {text}
          </button>
        ))}
      </div>
      {ready.some(({ isPlanned }) => !isPlanned) && (
        <p className="mt-1 text-sm text-soft">
          What has no colour is not in the formula: it may help, or spoil the batch.
        </p>
      )}
    </section>
  );
});

type LookingProps = Pick<
  PracticeView,
  'lastReading_C' | 'lastWeighing_kg' | 'checkedIn_C' | 'timed_s'
> & {
  readonly isTimed: boolean;
  readonly isOpen: boolean;
  readonly onAct: Act;
};

/** Thermometer, scale, and the clock of a timed boil. */
export const Looking = memo(function Looking({
  lastReading_C,
  lastWeighing_kg,
  checkedIn_C,
  timed_s,
  isTimed,
  isOpen,
  onAct,
}: LookingProps) {
  const formats = useFormats();
  return (
    <section aria-label="Measuring" className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <button
        type="button"
        className="btn"
        disabled={!isOpen}
        onClick={() => onAct({ type: 'read' })}
        {...shortcutTarget('reading')}
      >
        Read the thermometer
      </button>
      <p role="status" className="display min-w-[5.5rem] text-[26px]">
        {lastReading_C === undefined ? '–' : formats.temperature(lastReading_C)}
      </p>
      {checkedIn_C === undefined ? (
        <button type="button" className="btn" onClick={() => onAct({ type: 'check' })}>
          Check it in boiling water
        </button>
      ) : (
        <p className="text-soft">In boiling water it shows {formats.temperature(checkedIn_C)}.</p>
      )}
      <button
        type="button"
        className="btn"
        disabled={!isOpen}
        onClick={() => onAct({ type: 'weigh' })}
        {...shortcutTarget('measure')}
      >
        Weigh the pan
      </button>
      {lastWeighing_kg !== undefined && (
        <p className="text-soft">{formats.mass(lastWeighing_kg)} in it</p>
      )}
      {isTimed && (
        <button type="button" className="btn" onClick={() => onAct({ type: 'time' })}>
          Full boil: start the clock
        </button>
      )}
      {timed_s !== undefined && (
        <p className="display text-[26px]" role="timer" aria-label="Timed boil">
          {clock(timed_s * 1000)}
        </p>
      )}
    </section>
  );
});
