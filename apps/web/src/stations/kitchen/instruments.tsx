import { Copy, KeyRound } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { toast } from 'sonner';
import {
  INSTRUMENT_KINDS,
  type InstrumentKind,
  type InstrumentWithToken,
} from '@idle-kettle/contract';
import { ApiProblem } from '../../data/api.js';
import {
  addInstrument,
  changeInstrument,
  removeInstrument,
  renewToken,
} from '../../data/instruments.js';
import { useInstruments } from '../../data/queries.js';
import { TextInput } from '../../ui/measure-input.js';
import { Entry, Section } from './section.js';

const KIND_WORDS: Readonly<Record<InstrumentKind, string>> = {
  thermometer: 'Thermometer probe',
  scale: 'Scale',
  refractometer: 'Refractometer',
  simulated: 'Simulated',
};
const VALUE: Readonly<Record<InstrumentKind, string>> = {
  thermometer: '"temperature_C": 98.4',
  scale: '"mass_kg": 3.42',
  refractometer: '"percent": 61.5',
  simulated: '"temperature_C": 98.4',
};

const failed = (error: unknown): void =>
  void toast.error(
    error instanceof ApiProblem
      ? (error.problem.errors?.[0]?.message ?? error.message)
      : 'The server does not answer; nothing was changed',
  );

/**
 * Probes, scales and refractometers that send what they measure over the network, each by a token
 * of its own.
 */
export function Instruments() {
  const instruments = (useInstruments().data ?? []).filter(({ kind }) => kind !== 'simulated');
  const [kind, setKind] = useState<InstrumentKind>('thermometer');
  const [shown, setShown] = useState<InstrumentWithToken>();
  const show = (asked: Promise<InstrumentWithToken>): void => void asked.then(setShown, failed);
  // Other stations send a person here by its address.
  const { hash } = useLocation();
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (hash === '#instruments') here.current?.scrollIntoView();
  }, [hash]);
  return (
    <div ref={here}>
      <Section
        title="Instruments"
        lead="What measures by itself and can send over this network. Each has a token; choose its batch at the Boil station."
        add={{
          words: `Add a ${KIND_WORDS[kind].toLowerCase()}`,
          act: () => show(addInstrument({ name: KIND_WORDS[kind], kind })),
        }}
      >
        <ul>
          {instruments.map((each) => (
            <Entry
              key={each.id}
              name={each.name}
              onRemove={() =>
                void removeInstrument(each.id).then(() => {
                  if (shown?.id === each.id) setShown(undefined);
                  toast(`${each.name} deleted; what it measured stays in the logs`);
                }, failed)
              }
            >
              <TextInput
                label="name"
                value={each.name}
                onChange={(name) => void changeInstrument(each.id, { name }).catch(failed)}
              />
              <span className="mt-8 text-soft">{KIND_WORDS[each.kind]}</span>
              <button type="button" className="btn mt-6" onClick={() => show(renewToken(each.id))}>
                <KeyRound aria-hidden="true" className="size-5" /> New token
              </button>
              {shown?.id === each.id && <Token instrument={shown} />}
            </Entry>
          ))}
        </ul>
        <label className="mt-3 flex max-w-56 flex-col gap-1 text-sm text-soft">
          what to add
          <select
            className="select text-base-content"
            value={kind}
            onChange={(event) => setKind(event.target.value as InstrumentKind)}
          >
            {INSTRUMENT_KINDS.filter((each) => each !== 'simulated').map((each) => (
              <option key={each} value={each}>
                {KIND_WORDS[each]}
              </option>
            ))}
          </select>
        </label>
      </Section>
    </div>
  );
}

/** The token, this once, and how the instrument sends. */
function Token({
  instrument: { token, kind, name },
}: {
  readonly instrument: InstrumentWithToken;
}) {
  const example = `curl ${window.location.origin}/api/readings \\\n  -H 'Authorization: Bearer ${token}' \\\n  -H 'Content-Type: application/json' \\\n  -d '{"readings":[{"at":"2026-09-12T18:04:30.000Z",${VALUE[kind]}}]}'`;
  return (
    <div className="w-full">
      <p>
        The token of {name}, shown this once. It sends one or up to 500 values at a time; late and
        repeated ones are taken, over 50 a second are not.
      </p>
      <pre
        aria-label={`How ${name} sends`}
        tabIndex={0}
        className="mt-2 overflow-x-auto rounded-lg border border-line bg-base-200 p-3 text-sm"
      >
        {example}
      </pre>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          void navigator.clipboard.writeText(token).then(
            () => toast.success('The token is copied'),
            () => toast.error('This browser does not let it be copied; mark it by hand'),
          )
        }
      >
        <Copy aria-hidden="true" className="size-5" /> Copy the token
      </button>
    </div>
  );
}
