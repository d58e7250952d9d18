import { memo } from 'react';
import { clock } from '../../ui/now.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { SPEEDS } from './practice-game.js';

interface TimeControlsProps {
  readonly time_s: number;
  readonly speed: number;
  readonly isGentle: boolean;
  readonly onSpeed: (speed: number) => void;
  readonly onSkip: (seconds: number) => void;
}

const SKIPS = [
  [15, '15 s'],
  [60, '1 min'],
  [120, '2 min'],
] as const;
const GENTLE_SKIPS = [
  [600, '10 min'],
  [1800, '30 min'],
  [3600, '1 h'],
] as const;

const speedWords = (speed: number): string => (speed === 0 ? 'stop' : `${speed}×`);

/** The clock of the pan: how fast it runs, and time that passes at once. */
export const TimeControls = memo(function TimeControls({
  time_s,
  speed,
  isGentle,
  onSpeed,
  onSkip,
}: TimeControlsProps) {
  return (
    <section aria-label="Time" className="flex flex-wrap items-end gap-x-5 gap-y-2">
      <p className="display min-w-[8.5rem] pr-3 text-[38px] leading-none">{clock(time_s * 1000)}</p>
      <div>
        <p className="text-sm text-soft">Speed</p>
        <RadioButtons
          name="Speed"
          options={SPEEDS.map((each) => [String(each), speedWords(each)] as const)}
          value={String(speed)}
          onChange={(each) => onSpeed(Number(each))}
        />
      </div>
      <div>
        <p className="text-sm text-soft">Skip ahead</p>
        <div className="flex flex-wrap gap-2">
          {(isGentle ? GENTLE_SKIPS : SKIPS).map(([seconds, words]) => (
            <button
              key={seconds}
              type="button"
              className="btn"
              onClick={() => onSkip(seconds)}
              {...(seconds === 60 && shortcutTarget('minute'))}
            >
              {words}
            </button>
          ))}
        </div>
      </div>
    </section>
  );
});
