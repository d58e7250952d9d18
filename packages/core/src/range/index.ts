export { along } from './along.js';
export {
  around,
  exactly,
  propagate,
  type Range,
  type Sourced,
  times,
  within,
  Z90,
} from './range.js';
