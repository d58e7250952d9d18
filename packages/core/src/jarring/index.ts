export { processClock, type ProcessClock } from './process-clock.js';
export { isSettledUnsealed, type JarSeal, jarsThatAre, type Seals, sealsOf } from './seals.js';
