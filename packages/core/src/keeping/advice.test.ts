import { documentOf, pot } from '../testing/formula.js';
import { keepingAdviceOn, ALLOWED_ADVICE, KEEPING_ADVICE_WORDS, KEEPING_PHASES } from './advice.js';
import { assessKeeping, type Keeping } from './assess.js';
import { reason, type KeepingReasonCode } from './reason.js';
import { KEEPING_VERDICTS } from './verdict.js';

const SHELF = assessKeeping(
  pot(
    documentOf([
      ['1 kg', 'damson'],
      ['900 g', 'white-sugar'],
    ]),
  ),
);
/** Every reason that may stand first. */
const CODES: readonly KeepingReasonCode[] = [
  'nothing',
  'not-understood',
  'left-out',
  'under-oil',
  'published-curd',
  'curd',
  'not-for-the-shelf',
  'fat',
  'low-acid-butter',
  'published-pattern',
  'two-amounts',
  'tested-source',
  'attestation-void',
  'measured-pH',
  'measured-pH-void',
  'unknown-ingredient',
  'low-acid',
  'no-acid',
  'not-acid-enough',
  'acid-fruit',
  'no-row',
  'hot-fill',
  'no-process',
  'no-steam',
  'altitude-needed',
  'too-high',
  'short-process',
  'process-short',
  'process-late',
  'not-in-a-load',
  'stated-not-timed',
  'heat-unknown',
  'heat-not-reached',
  'stated-afterwards',
  'low-solids',
  'low-solids-process',
  'row',
  'one-piece-lid',
  'headspace',
];
const ANSWERS = [true, false] as const;

test('every verdict, reason and phase gives an advice from the one table of allowed ones', () => {
  for (const verdict of KEEPING_VERDICTS)
    for (const code of CODES)
      for (const phase of KEEPING_PHASES)
        for (const canBeMeasured of ANSWERS)
          for (const canBeMadeGood of ANSWERS)
            for (const processMeanwhile of [SHELF.process, null]) {
              const keeping: Keeping = {
                ...SHELF,
                verdict,
                reasons: [reason(code, 'why')],
                processMeanwhile,
              };
              const advice = keepingAdviceOn(keeping, phase, { canBeMeasured, canBeMadeGood });
              expect(ALLOWED_ADVICE[verdict][phase]).toContain(advice);
            }
});

test('what is stopped is never kept, in any words', () => {
  for (const phase of KEEPING_PHASES)
    for (const advice of ALLOWED_ADVICE.stop[phase])
      expect(KEEPING_ADVICE_WORDS[advice]).not.toMatch(/fridge|refrigerate|freez|again|store/i);
  const stopped = assessKeeping(
    pot(
      documentOf([
        ['500 g', 'garlic'],
        ['300 ml', 'cooking-oil'],
      ]),
    ),
  );
  expect(stopped.verdict).toBe('stop');
  expect([stopped.storage.text, ...stopped.reasons.map(({ text }) => text)].join(' ')).not.toMatch(
    /fridge|refrigerate|freeze/i,
  );
});

test('to process again is advised only where that makes it shelf', () => {
  const again = (code: KeepingReasonCode, canBeMadeGood = true) =>
    keepingAdviceOn({ ...SHELF, verdict: 'fridge', reasons: [reason(code, 'why')] }, 'processed', {
      canBeMadeGood,
    });
  expect(again('process-short')).toBe('process-again');
  expect(again('process-short', false)).toBe('refrigerate');
  for (const code of [
    'fat',
    'curd',
    'not-for-the-shelf',
    'no-row',
    'unknown-ingredient',
    'heat-not-reached',
  ] as const)
    expect(again(code)).toBe('refrigerate');
});
