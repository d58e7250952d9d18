import type {
  ChangeInstrument,
  InstrumentReading,
  InstrumentView,
  InstrumentWithToken,
  IntakeResult,
  NewInstrument,
} from '@idle-kettle/contract';
import { request } from './api.js';
import { keys, queryClient } from './queries.js';
import { newId } from './ids.js';

const changed = (): Promise<void> => queryClient.invalidateQueries({ queryKey: keys.instruments });

/** Adds an instrument. @returns it with its token, which the server shows this once */
export async function addInstrument(body: Omit<NewInstrument, 'id'>): Promise<InstrumentWithToken> {
  const made = await request<InstrumentWithToken>('POST', '/instruments', {
    id: newId(),
    ...body,
  });
  await changed();
  return made;
}
export async function changeInstrument(
  id: string,
  change: ChangeInstrument,
): Promise<InstrumentView> {
  const view = await request<InstrumentView>('PATCH', `/instruments/${id}`, change);
  await changed();
  return view;
}
export async function renewToken(id: string): Promise<InstrumentWithToken> {
  return request<InstrumentWithToken>('POST', `/instruments/${id}/token`);
}
export async function removeInstrument(id: string): Promise<void> {
  await request('DELETE', `/instruments/${id}`);
  await changed();
}

/** Sends values as an instrument does: by its token, at the address any instrument uses. */
export const sendReadings = (
  token: string,
  readings: readonly InstrumentReading[],
): Promise<IntakeResult> =>
  request<IntakeResult>('POST', '/readings', { readings }, { Authorization: `Bearer ${token}` });
