import { Check } from 'lucide-react';
import { NavLink } from 'react-router';
import { isProduce } from '@idle-kettle/core';
import { useLotsOf } from '../data/shelf.js';
import { useBatch } from './batch-context.js';

/**
 * The way of a batch, one line being walked. Stations done show a check; stations ahead are open to
 * peek at.
 */
export function Rail() {
  const { id, boil, formula } = useBatch();
  const { lots } = useLotsOf(id);
  const stations = [
    {
      to: 'fruit',
      name: 'Fruit',
      done: formula.lines.some(({ ingredient }) => isProduce(ingredient)),
    },
    { to: 'balance', name: 'Balance', done: boil.startedAt !== undefined },
    { to: 'plan', name: 'Plan', done: boil.startedAt !== undefined && boil.wish !== undefined },
    { to: 'boil', name: 'Boil', done: boil.phase === 'done' },
    { to: 'jar', name: 'Jar', done: boil.jarred.some((jar) => jar.full + jar.part > 0) },
    { to: 'shelf', name: 'Shelf', done: lots.length > 0 },
  ];
  return (
    <nav aria-label="Stations of this batch">
      <ol className="flex">
        {stations.map(({ to, name, done }, i) => (
          <li key={to} className="relative flex-1">
            {i > 0 && (
              <span
                aria-hidden="true"
                className="absolute top-[14px] right-1/2 sm:top-[16px] h-2 w-full"
                style={{ background: stations[i - 1]?.done ? 'var(--fruit)' : 'var(--line)' }}
              />
            )}
            <NavLink
              to={to}
              className="relative z-10 flex min-h-[58px] flex-col items-center gap-0.5 rounded-lg pt-1 sm:min-h-[62px] sm:pt-1.5"
            >
              {({ isActive }) => (
                <>
                  <span
                    aria-hidden="true"
                    className="grid size-7 place-items-center rounded-full border-[3px] bg-base-200"
                    style={{
                      borderColor: done || isActive ? 'var(--fruit)' : 'var(--line)',
                      background: done && !isActive ? 'var(--fruit)' : undefined,
                    }}
                  >
                    {done && !isActive && (
                      <Check className="size-4 text-base-100" strokeWidth={3.5} />
                    )}
                    {isActive && (
                      <span
                        className="size-3 rounded-full"
                        style={{ background: 'var(--fruit)' }}
                      />
                    )}
                  </span>
                  <span className={isActive ? 'font-bold' : ''}>
                    {name}
                    {done && <span className="sr-only"> (done)</span>}
                  </span>
                </>
              )}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
