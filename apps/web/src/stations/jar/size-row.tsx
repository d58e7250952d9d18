import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import type { JarsFilled } from '@idle-kettle/core';
import { MeasureInput } from '../../ui/measure-input.js';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { JarPicture, jarName } from '../../ui/jar-picture.js';

const PARTS = [0, 0.25, 0.5, 0.75] as const;
const PART_WORDS: Readonly<Record<(typeof PARTS)[number], string>> = {
  0: 'none',
  0.25: '¼',
  0.5: '½',
  0.75: '¾',
};

interface SizeRowProps {
  readonly jar: JarsFilled;
  readonly disabled: boolean;
  readonly onChange: (jar: JarsFilled) => void;
}

/** Jars of one size: a tap for each as it is lidded, and how full its part jar is. */
export function SizeRow({ jar, disabled, onChange }: SizeRowProps) {
  const name = jarName(jar.size, 2);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-3">
      <JarPicture size={jar.size} fill={jar.full > 0 ? 1 : jar.part} scale={64} />
      <span className="min-w-[5.5rem] flex-1 font-semibold">{name}</span>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn btn-square size-14"
          aria-label={`One ${jarName(jar.size, 1)} less`}
          disabled={disabled || jar.full === 0}
          onClick={() => onChange({ ...jar, full: jar.full - 1 })}
        >
          <Minus aria-hidden="true" className="size-6" />
        </button>
        <Counted
          name={`${name} filled`}
          count={jar.full}
          disabled={disabled}
          onCount={(full) => onChange({ ...jar, full })}
        />
        <button
          type="button"
          className="btn btn-square btn-secondary size-14"
          aria-label={`One ${jarName(jar.size, 1)} more`}
          disabled={disabled || jar.full >= MOST_JARS}
          onClick={() => onChange({ ...jar, full: jar.full + 1 })}
        >
          <Plus aria-hidden="true" className="size-6" />
        </button>
      </div>
      <div className="flex w-full flex-wrap items-center gap-1.5">
        <span className="mr-1 text-sm text-soft">and a part jar</span>
        <RadioButtons
          name={`Part ${jarName(jar.size, 1)}`}
          options={PARTS.map((part) => [String(part), PART_WORDS[part]])}
          value={String(PARTS.find((part) => Math.abs(jar.part - part) < 0.01))}
          disabled={disabled}
          onChange={(part) => onChange({ ...jar, part: Number(part) })}
        />
      </div>
      {!disabled && jar.full > 0 && (
        <MeasureInput
          label="a full one holds, if you weigh it"
          of="grams"
          value={jar.net_g}
          least={10}
          most={5000}
          placeholder="without glass and lid"
          className="w-52"
          onChange={(net_g) => {
            const { net_g: _was, ...rest } = jar;
            onChange(net_g === undefined ? rest : { ...rest, net_g });
          }}
        />
      )}
    </li>
  );
}

interface CountedProps {
  readonly name: string;
  readonly count: number;
  readonly disabled: boolean;
  readonly onCount: (count: number) => void;
}

const MOST_JARS = 1000;

/** The count itself: typed at once where somebody has counted already. */
function Counted({ name, count, disabled, onCount }: CountedProps) {
  const [typed, setTyped] = useState<string>();
  const take = (): void => {
    const counted = Number(typed);
    if (typed !== undefined && /^\d{1,4}$/.test(typed) && counted <= MOST_JARS) onCount(counted);
    setTyped(undefined);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <input
        {...shortcutTarget('count')}
        aria-label={name}
        inputMode="numeric"
        className="display h-14 w-16 rounded-[10px] border border-transparent bg-transparent text-center text-[34px] hover:border-field focus:border-secondary"
        disabled={disabled}
        maxLength={4}
        value={typed ?? String(count)}
        onFocus={({ target }) => target.select()}
        onChange={({ target }) => setTyped(target.value)}
        onBlur={take}
      />
    </form>
  );
}
