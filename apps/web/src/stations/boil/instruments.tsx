import { Radio } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { SimulatedErrors } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { beginSimulating, setSpeed, usePlayed } from '../../batch/use-simulated-stove.js';
import { ApiProblem } from '../../data/api.js';
import { changeInstrument } from '../../data/instruments.js';
import { useInstruments } from '../../data/queries.js';
import { MeasureInput } from '../../ui/measure-input.js';
import { sentence } from '../../ui/sentence.js';
import { ImportLog } from './import-log.js';
import { useTroubles } from '../../batch/use-advice.js';

const SPEEDS = [1, 5, 20, 60] as const;
const USUAL: SimulatedErrors = { noise_K: 0.2, offset_K: 0, lag_s: 8, dropouts: 0 };

const failed = (error: unknown): void =>
  void toast.error(
    error instanceof ApiProblem
      ? error.message
      : 'The server does not answer; try again when it is back',
  );

/**
 * What stands in this pot and sends by itself, and the ways to try the boil without a stove or to
 * bring a log in.
 */
export function Instruments() {
  const { id, boil } = useBatch();
  const instruments = (useInstruments().data ?? []).filter(
    ({ kind, batchId }) => kind !== 'simulated' || batchId === id,
  );
  const troubles = useTroubles(boil);
  const [open, setOpen] = useState<'simulate' | 'bring-in' | null>(null);
  const toggle = (which: 'simulate' | 'bring-in'): void =>
    setOpen((was) => (was === which ? null : which));
  return (
    <section aria-label="Instruments" className="panel p-4">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-xl">Instruments</h2>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn"
            aria-expanded={open === 'simulate'}
            onClick={() => toggle('simulate')}
          >
            Simulated boil
          </button>
          <button
            type="button"
            className="btn"
            aria-expanded={open === 'bring-in'}
            onClick={() => toggle('bring-in')}
          >
            Import a log
          </button>
        </div>
      </div>
      {instruments.length === 0 && (
        <p className="mt-1 text-soft">
          Connected probes, scales and refractometers are added at{' '}
          <Link to="/kitchen#instruments" className="link">
            Kitchen
          </Link>
          ; then choose here which is in this pan.
        </p>
      )}
      <ul>
        {instruments.map((each) => {
          const trouble = troubles.find(({ instrument }) => instrument === each.id);
          const here = each.batchId === id;
          const elsewhere = each.batchId === null ? 'in no pan' : 'in another pan';
          return (
            <li
              key={each.id}
              className="flex min-h-14 flex-wrap items-center gap-x-3 border-b border-line py-1 last:border-b-0"
            >
              <Radio
                aria-hidden="true"
                className={`size-5 shrink-0 ${here ? 'text-good' : 'text-soft'}`}
              />
              <span className="min-w-0 flex-1">
                {each.name}
                <span className="block text-sm text-soft">{here ? 'in this pan' : elsewhere}</span>
              </span>
              <button
                type="button"
                className="btn"
                onClick={() =>
                  void changeInstrument(each.id, { batchId: here ? null : id }).catch(failed)
                }
              >
                {here ? 'Remove from this pan' : 'Put it in this pan'}
              </button>
              {trouble && (
                <p role="alert" className="w-full pl-8 text-watch">
                  {sentence(trouble.text)}
                </p>
              )}
            </li>
          );
        })}
      </ul>
      {open === 'simulate' && <Simulate />}
      {open === 'bring-in' && <ImportLog onDone={() => setOpen(null)} />}
    </section>
  );
}

/** The pot on the bench boiled by the kettle model, with instruments that err as told. */
function Simulate() {
  const { id, boil } = useBatch();
  const played = usePlayed(id);
  const running = boil.simulated;
  const [how, setHow] = useState<SimulatedErrors>(running ?? USUAL);
  const [speak, setSpeak] = useState({ scale: false, refractometer: false });
  const busy = useRef(false);
  const begin = async (speed: number): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    try {
      if (running) setSpeed(id, { ...how, speed });
      else await beginSimulating(id, { ...how, speed }, speak);
    } catch (error) {
      failed(error);
    } finally {
      busy.current = false;
    }
  };
  const field = (
    key: keyof SimulatedErrors,
    label: string,
    least: number,
    most: number,
    factor = 1,
  ) => (
    <MeasureInput
      label={label}
      of="number"
      value={how[key] * factor}
      least={least}
      most={most}
      className="w-28"
      onChange={(value) => setHow((was) => ({ ...was, [key]: (value ?? 0) / factor }))}
    />
  );
  return (
    <div className="mt-3 border-t border-line pt-3">
      <p className="mb-2 text-soft">
        {!running &&
          'Simulated instruments boil this very batch, on a burner of their own, so that everything can be tried. Such a batch is marked in its log.'}
        {running && !played && 'Simulated instruments boil this batch from another device.'}
        {running &&
          played &&
          `Simulated instruments boil this very batch${running.speed === 1 ? '' : `; its clock runs ${running.speed} times as fast`}. Everything logged counts: sugar, water, the heat, off and on.`}
      </p>
      <div className="flex flex-wrap items-start gap-3">
        {field('noise_K', 'noise, °C', 0, 5)}
        {field('offset_K', 'reads too much, °C', -20, 20)}
        {field('lag_s', 'lag, s', 0, 300)}
        {field('dropouts', 'silent, % of the time', 0, 50, 100)}
        {!running &&
          (['scale', 'refractometer'] as const).map((which) => (
            <label key={which} className="mt-6 flex min-h-[44px] items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={speak[which]}
                onChange={(event) => setSpeak((was) => ({ ...was, [which]: event.target.checked }))}
              />
              {which} too
            </label>
          ))}
      </div>
      <div role="group" aria-label="How fast" className="mt-3 flex flex-wrap gap-2">
        {SPEEDS.map((speed) => (
          <button
            key={speed}
            type="button"
            className={`btn h-14 ${running?.speed === speed ? 'btn-secondary' : ''}`}
            disabled={running !== undefined && !played}
            onClick={() => void begin(speed)}
          >
            {speed === 1 ? 'As it is' : `${speed} times as fast`}
          </button>
        ))}
      </div>
    </div>
  );
}
