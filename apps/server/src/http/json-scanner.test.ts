import { JsonScanner, type ScanProblem } from './json-scanner.js';

/** What is said of a text that comes in pieces of some length, and after how many bytes. */
function scan(text: string, piece = 4096): { problem: ScanProblem | undefined; after: number } {
  const scanner = new JsonScanner();
  const bytes = Buffer.from(text);
  for (let from = 0; from < bytes.length; from += piece) {
    const problem = scanner.feed(bytes.subarray(from, from + piece));
    if (problem !== undefined) return { problem, after: from + piece };
  }
  return { problem: undefined, after: bytes.length };
}

test('a flood of little values is refused long before it is there', () => {
  const flood = `{"kitchens":[${'[],'.repeat(2_000_000)}[]]}`;
  const { problem, after } = scan(flood);
  expect(problem).toBe('too-many-values');
  expect(after).toBeLessThan(flood.length / 50);
  for (const value of ['0', '{}', '""', 'null', '{"a":1}'])
    expect(scan(`[${`${value},`.repeat(200_000)}0]`).problem).toBe('too-many-values');
});

test('depth is counted as it comes, also where nothing is closed, and not within texts', () => {
  expect(scan('['.repeat(25)).problem).toBe('too-deep');
  expect(scan('{"a":'.repeat(25)).problem).toBe('too-deep');
  expect(scan(`${'['.repeat(24)}${']'.repeat(24)}`.repeat(40)).problem).toBeUndefined();
  expect(scan(JSON.stringify({ note: '[{'.repeat(500) })).problem).toBeUndefined();
});

test.each([1, 2, 3, 7, 4096])('a text is the same in pieces of %i bytes', (piece) => {
  const tricky = JSON.stringify({ note: 'a "quote", a \\ and a \\" [[[', more: ['ü', '\u2028'] });
  expect(scan(`[${Array.from({ length: 300 }, () => tricky).join()}]`, piece).problem).toBe(
    undefined,
  );
  expect(scan(`{"x":"\\\\","y":${'['.repeat(30)}`, piece).problem).toBe('too-deep');
});

test('a log of readings, the densest there is, passes', () => {
  const reading = {
    id: '6f1c2b0e-0000-4000-8000-000000000002',
    type: 'reading',
    at: '2026-11-20T10:00:00.000Z',
    device: 'probe',
    body: { temperature_C: 99.1 },
  };
  const text = JSON.stringify({ batches: [{ events: Array(40_000).fill(reading) }] });
  expect(scan(text).problem).toBeUndefined();
});
