import type { TestVerdict } from '@idle-kettle/core';
import { Row } from './entry-row.js';

/** How thick a butter is on a cold plate, in words of its own for the verdicts of a set test. */
export const THICKNESS_WORDS: readonly (readonly [TestVerdict, string])[] = [
  ['runs', 'runs'],
  ['slowly closes', 'a ring of water'],
  ['holds a line', 'nearly no ring'],
  ['wrinkles', 'mounds, no ring'],
  ['stiff', 'very thick'],
];

/** A butter is judged by its look on a cold plate, not by a setting point. */
export function ThicknessRow({ onTest }: { readonly onTest: (verdict: TestVerdict) => void }) {
  return (
    <Row
      title="How thick is it?"
      hint="A spoonful on a cold plate: it mounds, and no ring of water runs from it. It is thicker when cold."
    >
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">
        {THICKNESS_WORDS.map(([verdict, words]) => (
          <button
            key={verdict}
            type="button"
            className="btn h-16 px-2 text-lg"
            onClick={() => onTest(verdict)}
          >
            {words}
          </button>
        ))}
      </div>
    </Row>
  );
}
