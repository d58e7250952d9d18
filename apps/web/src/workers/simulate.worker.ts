import { expose } from 'comlink';
import { simulatedObservations } from '@idle-kettle/core';

/** Follows a simulated pot from cold: beside the page, since it is done again every second. */
export type SimulateObservations = typeof simulatedObservations;
expose(simulatedObservations);
