import type { IncomingMessage } from 'node:http';
import { LARGEST_HOUSEHOLD_MB } from '@idle-kettle/contract';
import { JsonScanner, type ScanProblem } from '../http/json-scanner.js';
import { ProblemException } from '../http/problem.filter.js';
import { DEEPEST } from '../http/storable.js';

const WORDS: Readonly<Record<ScanProblem, string>> = {
  'too-deep': `the file nests deeper than ${DEEPEST}; a household’s never does`,
  'too-many-values':
    'the file has far more values than a household of its size; export it again, or look what made it',
};

const LARGEST = LARGEST_HOUSEHOLD_MB * 1_000_000;

const tooLarge = (): ProblemException =>
  new ProblemException(
    'too-large',
    `a household’s file has at most ${LARGEST_HOUSEHOLD_MB} MB; a larger household moves by ./kettle backup`,
  );

/**
 * The file of a request, looked at while it comes: what is too long, too deep or too much is refused
 * before it is there, and long before it is parsed.
 *
 * @throws ProblemException 400, 413 or 415
 */
export async function receiveFile(request: IncomingMessage): Promise<Uint8Array> {
  try {
    return await scanned(request);
  } catch (error) {
    // What still comes is let go by, so that the one who sends it hears the answer.
    request.resume();
    throw error;
  }
}

async function scanned(request: IncomingMessage): Promise<Uint8Array> {
  if ((request.headers['content-encoding'] ?? 'identity') !== 'identity')
    throw new ProblemException('wrong-media', 'send the file as it is, not packed');
  if (Number(request.headers['content-length'] ?? 0) > LARGEST) throw tooLarge();
  const scanner = new JsonScanner();
  const file = new GrowingBuffer(Number(request.headers['content-length'] ?? 0));
  // Left open where it is refused half-way: the connection still has to carry the answer.
  for await (const chunk of request.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    if (file.length + chunk.length > LARGEST) throw tooLarge();
    const problem = scanner.feed(chunk);
    if (problem !== undefined) throw new ProblemException('not-understood', WORDS[problem]);
    file.append(chunk);
  }
  return file.whole();
}

/** Bytes that another thread reads without a copy of them. */
class GrowingBuffer {
  length = 0;
  private bytes: Uint8Array;

  /** @param expected bytes that are likely to come */
  constructor(expected: number) {
    this.bytes = new Uint8Array(new SharedArrayBuffer(Math.max(expected, 65_536)));
  }

  append(chunk: Uint8Array): void {
    if (this.length + chunk.length > this.bytes.length) {
      const larger = new Uint8Array(new SharedArrayBuffer(2 * (this.length + chunk.length)));
      larger.set(this.bytes.subarray(0, this.length));
      this.bytes = larger;
    }
    this.bytes.set(chunk, this.length);
    this.length += chunk.length;
  }

  whole(): Uint8Array {
    return this.bytes.subarray(0, this.length);
  }
}
