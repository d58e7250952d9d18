import { useDeferredValue, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { GLOSSARY, termOf } from '../../ui/glossary.js';
import { Page } from '../../ui/page.js';

/** Every term, searched as one types; the one in the address is marked. */
export function Glossary() {
  const [typed, setTyped] = useState('');
  const words = useDeferredValue(typed.trim().toLowerCase());
  const asked = useLocation().hash.slice(1);
  const shown = GLOSSARY.toSorted((a, b) => a.term.localeCompare(b.term)).filter(
    ({ term, also = '', text }) => `${term} ${also} ${text}`.toLowerCase().includes(words),
  );
  return (
    <Page title="Glossary" lead={`${GLOSSARY.length} words of the trade, in plain language`}>
      <input
        type="search"
        aria-label="Search the glossary"
        className="input mb-4 w-full max-w-sm"
        placeholder="Search the glossary"
        maxLength={60}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {shown.length === 0 && <p className="text-soft">No term has “{typed}”.</p>}
      <dl className="grid gap-x-8 md:grid-cols-2">
        {shown.map(({ id, term, text, see = [] }) => (
          <div
            key={id}
            id={id}
            // Come here from a readout, it is what one looks for.
            ref={(element) => {
              if (asked === id) element?.scrollIntoView({ block: 'center' });
            }}
            className={`border-b border-line py-3 ${asked === id ? 'rounded-lg bg-base-300 px-3' : ''}`}
          >
            <dt className="display text-lg">{term}</dt>
            <dd>
              {text}
              {see.length > 0 && (
                <span className="mt-1 flex flex-wrap gap-x-4 text-sm text-soft">
                  {see.map((other) => (
                    <Link
                      key={other}
                      to={`#${other}`}
                      className="flex min-h-[44px] items-center underline"
                      onClick={() => setTyped('')}
                    >
                      {termOf(other).term}
                    </Link>
                  ))}
                </span>
              )}
            </dd>
          </div>
        ))}
      </dl>
    </Page>
  );
}
