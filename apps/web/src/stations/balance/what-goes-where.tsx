import type { Balance } from '@idle-kettle/core';
import { useFormats } from '../../ui/preferences.js';

/** Mass in, split into what reaches the jars, what boils away, and what stays on the pan. */
export function WhatGoesWhere({ balance }: { readonly balance: Balance }) {
  const formats = useFormats();
  const { massIn_kg, waterToBoilOff_kg, losses_kg } = balance;
  const jarred = massIn_kg.mid - waterToBoilOff_kg.mid - losses_kg.mid;
  const parts = [
    { name: 'to jars', mass: jarred, colour: 'var(--fruit)' },
    { name: 'boils away', mass: waterToBoilOff_kg.mid, colour: 'var(--color-accent)' },
    { name: 'stays as foam and film', mass: losses_kg.mid, colour: 'var(--color-secondary)' },
  ];
  return (
    <section aria-label="Where the weight goes" className="panel p-4">
      <h2 className="text-xl">Where the weight goes</h2>
      <div aria-hidden="true" className="mt-3 flex h-5 gap-[3px]">
        {parts.map(({ name, mass, colour }) => (
          <span
            key={name}
            className="min-w-1 rounded"
            style={{ flex: `${Math.max(mass, 0)} 0 0`, background: colour }}
          />
        ))}
      </div>
      <ul className="mt-3 flex flex-wrap gap-x-5 gap-y-1">
        {parts.map(({ name, mass, colour }) => (
          <li key={name} className="flex items-center gap-2">
            <span aria-hidden="true" className="size-3 rounded-sm" style={{ background: colour }} />
            <span>
              <strong>{formats.mass(mass)}</strong> <span className="text-soft">{name}</span>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm text-soft">
        {formats.mass(massIn_kg.mid)} ({formats.otherMass(massIn_kg.mid)}) goes in ·{' '}
        {formats.volume(balance.finish.volume_ml.mid)} hot at the finish
      </p>
    </section>
  );
}
