export { type ProbeTrouble, probeTroubles } from './probe-trouble.js';
export { simulatedObservations } from './simulated-instruments.js';
