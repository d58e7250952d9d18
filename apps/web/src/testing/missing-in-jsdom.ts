import { deserialize, serialize } from 'node:v8';
import { TextDecoder, TextEncoder } from 'node:util';

/** What every browser has and the one of the unit tests has not. */
Object.assign(globalThis, {
  TextEncoder,
  TextDecoder,
  structuredClone: <T>(value: T): T => deserialize(serialize(value)) as T,
});
