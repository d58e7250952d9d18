export { sampleBalance, type Sampled } from './sample.js';
export { whatMatters } from './sensitivity.js';
