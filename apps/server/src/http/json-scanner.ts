import { DEEPEST } from './storable.js';

/** Why a text is not parsed. */
export type ScanProblem = 'too-deep' | 'too-many-values';

/** So many values may stand at the start of a text before they are held against its length. */
const FREE_VALUES = 10_000;
/**
 * Bytes a value takes at least, on average, in any text of ours: the densest, a log of readings,
 * takes 20. A list of empty lists takes three, and a hundred times that once it is parsed.
 */
const LEAST_BYTES = 8;

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const [OPEN_LIST, OPEN_OBJECT] = [0x5b, 0x7b];
const [CLOSE_LIST, CLOSE_OBJECT] = [0x5d, 0x7d];

/**
 * Looks at a JSON text byte by byte as it comes, so that one that would take a gigabyte and seconds
 * to parse is refused before anything is made of it. It does not say whether the text is JSON.
 */
export class JsonScanner {
  private depth = 0;
  private values = 1;
  private bytes = 0;
  private isInText = false;
  private isEscaped = false;

  /** @returns what is wrong with the text so far; undefined where nothing is */
  feed(chunk: Buffer): ScanProblem | undefined {
    for (const byte of chunk) {
      this.bytes += 1;
      if (this.isInText) this.inText(byte);
      else if (byte === QUOTE) this.isInText = true;
      else this.outside(byte);
      if (this.depth > DEEPEST) return 'too-deep';
      if (this.values > FREE_VALUES + this.bytes / LEAST_BYTES) return 'too-many-values';
    }
    return undefined;
  }

  private inText(byte: number): void {
    if (this.isEscaped) this.isEscaped = false;
    else if (byte === BACKSLASH) this.isEscaped = true;
    else if (byte === QUOTE) this.isInText = false;
  }

  private outside(byte: number): void {
    if (byte === COMMA) this.values += 1;
    else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
      this.depth += 1;
      this.values += 1;
    } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) this.depth -= 1;
  }
}
