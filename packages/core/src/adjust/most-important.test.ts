import type { WarningCode } from '../formula/index.js';
import { mostImportant } from './most-important.js';
import type { Remedy, RemedyCode } from './remedies.js';

const first = (remedies: readonly RemedyCode[], warnings: readonly WarningCode[]): string => {
  const found = mostImportant(
    remedies.map((code): Remedy => ({ code, text: '', effect: '', change: [] })),
    warnings.map((code) => ({ code, text: '' })),
  );
  if (!found) return 'nothing';
  return found.type === 'remedy' ? found.remedy.code : found.warning.code;
};

test.each([
  [['acid-for-set', 'acid-for-keeping'], ['pan-too-small'], 'acid-for-keeping'],
  [['acid-for-set'], ['may-weep', 'pan-too-small'], 'pan-too-small'],
  [['pectin-for-set'], ['sugar-before-pectin'], 'pectin-for-set'],
  [['acid-against-grains'], ['sugar-before-pectin'], 'sugar-before-pectin'],
  [[], ['stated-amounts-disagree', 'stated-yield-impossible'], 'stated-yield-impossible'],
  [[], ['stated-amounts-disagree'], 'stated-amounts-disagree'],
  [[], [], 'nothing'],
] as const)('of %j and %j first comes %s', (remedies, warnings, wanted) =>
  expect(first(remedies, warnings)).toBe(wanted),
);
