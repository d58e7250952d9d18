export { sampleBalance, type Sampled } from './sample.js';
export { worthMeasuring } from './sensitivity.js';
