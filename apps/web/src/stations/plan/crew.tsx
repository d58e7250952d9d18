import { useMemo } from 'react';
import { crewDuties, type Schedule } from '@idle-kettle/core';
import { sentence } from '../../ui/sentence.js';
import { clockOf } from './clock-of.js';

interface CrewProps {
  /** As typed; empty while nobody has a name yet. */
  readonly crew: readonly string[];
  readonly names: readonly string[];
  readonly plan: Schedule;
  readonly now: number;
  readonly onCrew: (crew: readonly string[]) => void;
}

/** Who does what on a big day: their names, and each one's list to be read out. */
export function Crew({ crew, names, plan, now, onCrew }: CrewProps) {
  const duties = useMemo(() => crewDuties(plan, names), [plan, names]);
  return (
    <section aria-label="Crew" className="panel p-4">
      <h2 className="text-xl">Crew</h2>
      <div className="mt-2 flex flex-wrap gap-2 print:hidden">
        {crew.map((name, i) => (
          <input
            key={i}
            aria-label={`Name of helper ${i + 1}`}
            className="input w-36"
            placeholder={`helper ${i + 1}`}
            maxLength={30}
            value={name}
            onChange={(event) => onCrew(crew.map((was, k) => (k === i ? event.target.value : was)))}
          />
        ))}
      </div>
      {[...new Set(names)].map((name) => (
        <div key={name} className="mt-3">
          <h3 className="text-lg">{name}</h3>
          <ol aria-label={`What ${name} does`}>
            {duties
              .filter(({ who }) => who === name)
              .map(({ code, role, from, to }) => (
                <li key={`${code} ${from}`} className="flex gap-3 py-0.5">
                  <span className="w-24 shrink-0 text-right text-sm whitespace-nowrap text-soft">
                    {clockOf(from, now)}–{clockOf(to, now).replace(/^\w+ /, '')}
                  </span>
                  <span className="min-w-0">{sentence(role)}</span>
                </li>
              ))}
          </ol>
        </div>
      ))}
    </section>
  );
}
