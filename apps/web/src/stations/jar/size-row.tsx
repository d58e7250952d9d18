import { Minus, Plus } from 'lucide-react';
import type { JarsFilled } from '@idle-kettle/core';
import { MeasureInput } from '../../ui/measure-input.js';
import { JarPicture, jarName } from '../../ui/jar-picture.js';

const PARTS = [0, 0.25, 0.5, 0.75] as const;

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
        <output aria-label={`${name} filled`} className="display w-12 text-center text-[34px]">
          {jar.full}
        </output>
        <button
          type="button"
          className="btn btn-square btn-secondary size-14"
          aria-label={`One ${jarName(jar.size, 1)} more`}
          disabled={disabled || jar.full >= 1000}
          onClick={() => onChange({ ...jar, full: jar.full + 1 })}
        >
          <Plus aria-hidden="true" className="size-6" />
        </button>
      </div>
      <div
        role="radiogroup"
        aria-label={`Part ${jarName(jar.size, 1)}`}
        className="flex w-full flex-wrap items-center gap-1.5"
      >
        <span className="mr-1 text-sm text-soft">and a part jar</span>
        {PARTS.map((part) => (
          <button
            key={part}
            type="button"
            role="radio"
            aria-checked={Math.abs(jar.part - part) < 0.01}
            disabled={disabled}
            className={`btn btn-sm min-h-[44px] ${Math.abs(jar.part - part) < 0.01 ? 'btn-neutral' : ''}`}
            onClick={() => onChange({ ...jar, part })}
          >
            {part === 0 ? 'none' : { 0.25: '¼', 0.5: '½', 0.75: '¾' }[part]}
          </button>
        ))}
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
