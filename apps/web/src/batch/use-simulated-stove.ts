import { wrap, type Remote } from 'comlink';
import { useEffect, useEffectEvent } from 'react';
import type { InstrumentReading } from '@idle-kettle/contract';
import {
  type Boil,
  type FormulaDocument,
  type Kitchen,
  type SimulatedErrors,
} from '@idle-kettle/core';
import { today } from '../data/clock.js';
import { addInstrument, sendReadings } from '../data/instruments.js';
import { logEvent } from '../data/log-event.js';
import type { SimulateObservations } from '../workers/simulate.worker.js';
import { timeOfBatch } from './batch-context.js';
import { anObject, browserStore } from '../data/browser-store.js';

interface Played {
  readonly token: string;
  readonly instrumentId: string;
  readonly scale: boolean;
  readonly refractometer: boolean;
}

const KEY = 'kettle.simulated';
const EVERY_MS = 1000;
/** At most so many values a message. */
const TOGETHER = 300;
/**
 * A weight and a drop by the batch's clock, every so many observations: each minute, each four minutes.
 */
const WEIGH_EVERY = 6;
const DROP_EVERY = 24;

const simulatedBatches = browserStore<Readonly<Record<string, Played>>>({
  key: KEY,
  parse: anObject,
  otherwise: () => ({}),
});

/** The simulated instruments this device plays in the batch, if it does. */
export function usePlayed(batchId: string): Played | undefined {
  return simulatedBatches.use()[batchId];
}

/**
 * Begins to boil the batch without a stove: an instrument like any other, and its event in the log.
 */
export async function beginSimulating(
  batchId: string,
  how: SimulatedErrors & { readonly speed: number },
  speak: Pick<Played, 'scale' | 'refractometer'>,
): Promise<void> {
  const made = await addInstrument({ name: 'Simulated probe', kind: 'simulated', batchId });
  simulatedBatches.set({
    ...simulatedBatches.get(),
    [batchId]: { token: made.token, instrumentId: made.id, ...speak },
  });
  setSpeed(batchId, how);
}

/** From now on the batch's clock runs so many times as fast. */
export const setSpeed = (
  batchId: string,
  how: SimulatedErrors & { readonly speed: number },
): void => void logEvent(batchId, 'simulated', { ...how, realAt: today().toISOString() });

let worker: Remote<SimulateObservations> | undefined;
const simulate = (): Remote<SimulateObservations> =>
  (worker ??= wrap<SimulateObservations>(
    new Worker(new URL('../workers/simulate.worker.ts', import.meta.url), { type: 'module' }),
  ));

/**
 * Plays the simulated instruments of a batch while any of its stations is open: what is due by the
 * batch's clock is sent.
 */
export function useSimulatedStove(
  batchId: string,
  boil: Boil,
  document: FormulaDocument | undefined,
  place: Kitchen,
): void {
  const played = usePlayed(batchId);
  const active =
    played !== undefined &&
    boil.simulated !== undefined &&
    boil.startedAt !== undefined &&
    boil.phase !== 'done';
  const play = useEffectEvent(async (sent: { until: number }) => {
    if (!played || !document) return;
    const now = timeOfBatch(boil);
    // The log without its readings: all the pot answers to.
    const lean: Boil = {
      ...boil,
      readings: [],
      rejectedReadings: [],
      log: boil.log.filter(({ event }) => event.type !== 'reading'),
    };
    const observations = await simulate()(lean, document, place, now);
    const spoken = ({ instrument }: { readonly instrument: string | undefined }): boolean =>
      instrument === played.instrumentId;
    const from = Math.max(
      sent.until,
      boil.readings.findLast(spoken)?.at ?? -Infinity,
      boil.rejectedReadings.findLast(spoken)?.at ?? -Infinity,
    );
    const due = observations
      .map((observation, i) => ({ observation, i }))
      .filter(({ observation }) => observation.at > from);
    const values = due.flatMap(
      ({ observation: { at, temperature_C, mass_kg, solidsPercent }, i }): InstrumentReading[] => {
        const time = new Date(at).toISOString();
        return [
          { at: time, temperature_C },
          ...(played.scale && i % WEIGH_EVERY === 0
            ? [{ at: time, mass_kg: Math.round(mass_kg * 1000) / 1000 }]
            : []),
          ...(played.refractometer && i % DROP_EVERY === 0
            ? [{ at: time, percent: Math.round(solidsPercent * 10) / 10 }]
            : []),
        ];
      },
    );
    for (let i = 0; i < values.length; i += TOGETHER)
      await sendReadings(played.token, values.slice(i, i + TOGETHER));
    const last = due.at(-1);
    if (last) sent.until = last.observation.at;
  });
  useEffect(() => {
    if (!active) return undefined;
    const sent = { until: -Infinity };
    let busy = false;
    const timer = setInterval(() => {
      if (busy) return;
      busy = true;
      // What could not be sent is due again the next time.
      play(sent)
        .catch(() => undefined)
        .finally(() => {
          busy = false;
        });
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [active]);
}
