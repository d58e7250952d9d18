import { HALF_INCH_MM, QUARTER_INCH_MM } from '../jars/index.js';
import type { Kind } from '../formula/index.js';

/** Something a recipe tells its reader to do that the rules of safe canning answer. */
export type StepClaimCode =
  | 'headspace-claim'
  | 'inverted-jars'
  | 'wax-seal'
  | 'oven-canning'
  | 'open-kettle'
  | 'keeps-claim'
  | 'doubled-claim';

export interface StepClaim {
  readonly code: StepClaimCode;
  readonly text: string;
}

/** What the steps are looked at for, worked out once. */
interface Steps {
  readonly text: string;
  readonly kind: Kind;
}

interface ClaimRule {
  readonly code: StepClaimCode;
  /** What to say, or undefined where the steps do not claim it. */
  readonly answer: (steps: Steps) => string | undefined;
}

const MM_PER_INCH = 25.4;
/** Headspaces this near count as the same, mm. */
const SAME_HEADSPACE_MM = 3;
const NUMBER = '(\\d+\\s*\\/\\s*\\d+|\\d+(?:\\.\\d+)?|¼|½|¾|one|half an?|a quarter)';
const HEADSPACE = new RegExp(
  `${NUMBER}[\\s-]*(inch(?:es)?|in\\b|"|cm|mm)[^.;]{0,30}?(?:head ?space|from the (?:top|rim)|of the (?:top|rim)|at the top|below the rim|space)`,
  'i',
);
const WORDS: Readonly<Record<string, number>> = {
  '¼': 0.25,
  '½': 0.5,
  '¾': 0.75,
  one: 1,
  half: 0.5,
  a: 0.25,
};

/** Millimetres of headspace the steps name, or undefined. */
function headspaceIn(text: string): number | undefined {
  const [, number = '', unit = ''] = HEADSPACE.exec(text) ?? [];
  if (number === '') return undefined;
  const [top = '', bottom] = number.split('/');
  const word = WORDS[number.toLowerCase().split(' ')[0] ?? ''];
  const value = word ?? Number(top) / Number(bottom ?? 1);
  if (/^mm/i.test(unit)) return value;
  return /^cm/i.test(unit) ? value * 10 : value * MM_PER_INCH;
}

/** The steps tell something by these words: one pattern, one answer. */
const says = (code: StepClaimCode, pattern: RegExp, text: string): ClaimRule => ({
  code,
  answer: (steps) => (pattern.test(steps.text) ? text : undefined),
});

/**
 * What recipes tell that is answered, each by itself. USDA Complete Guide to Home Canning and
 * National Center for Home Food Preservation, from memory.
 */
export const CLAIM_RULES: readonly ClaimRule[] = [
  {
    code: 'headspace-claim',
    answer: ({ text, kind }) => {
      const stated_mm = headspaceIn(text);
      const table_mm = kind === 'curd' ? HALF_INCH_MM : QUARTER_INCH_MM;
      if (stated_mm === undefined || Math.abs(stated_mm - table_mm) <= SAME_HEADSPACE_MM)
        return undefined;
      const table = kind === 'curd' ? '1/2 in (13 mm)' : '1/4 in (6 mm)';
      const effect =
        stated_mm > table_mm
          ? 'with more, air stays in and the seal is weak'
          : 'with less, it boils out and the lid may fail';
      return `it leaves ${stated_mm.toFixed(0)} mm of headspace; the table's is ${table}: ${effect}`;
    },
  },
  says(
    'inverted-jars',
    /\b(?:turn|invert|flip|stand|upend)\w*\b[^.;]{0,40}\b(?:upside[ -]down|on (?:their|its) (?:lids?|heads?|tops?)|over\b)|\bupside[ -]down\b|\binvert(?:ed)?\b[^.;]{0,20}\bjars?\b/i,
    'it turns the jars upside down: that makes no safe seal and burns hands; leave them upright and process them',
  ),
  says(
    'wax-seal',
    /\b(?:paraffin|melted wax|seal\w*[^.;]{0,30}\bwax\b|wax (?:discs?|seals?|layer))\b/i,
    'it seals with wax: wax and paper let mould in; use lids and process the jars, or refrigerate',
  ),
  says(
    'oven-canning',
    /\b(?:process|can|seal|pasteuri[sz]e)\w*\b[^.;]{0,40}\b(?:oven|microwave|dishwasher)\b|\boven[ -]can/i,
    'it processes in an oven or machine: dry heat does not reach the middle and jars break; use a canner, or refrigerate',
  ),
  says(
    'open-kettle',
    /\b(?:no (?:need|canning|processing|water bath)[^.;]{0,30}|without (?:processing|a water bath)|lids? will (?:pop|seal|ping)[^.;]{0,30}|seals? (?:by|on) (?:itself|themselves|its own|cooling))\b/i,
    'it relies on hot filling alone: a lid that is down proves nothing of what is in the jar; process it, or refrigerate',
  ),
  says(
    'keeps-claim',
    /\b(?:keeps?|stores?|lasts?|good)\b[^.;]{0,40}\b(?:\d+|one|two|several|a few) (?:years?)\b|\bkeeps? (?:forever|indefinitely)\b/i,
    'it says that it keeps for years: best within one year on the shelf, and only as its storage below says',
  ),
  says(
    'doubled-claim',
    /\b(?:double|triple|multiply)\b[^.;]{0,25}\b(?:recipe|batch|quantit|amounts?)\b/i,
    'it invites a doubled batch: with added powdered or liquid pectin the set fails; cook two batches instead',
  ),
];

/** What the steps of a recipe claim and the rules of safe canning answer, in the order of the list. */
export function stepClaims(steps: readonly string[], kind: Kind): StepClaim[] {
  const found: Steps = { text: steps.join(' '), kind };
  return CLAIM_RULES.flatMap(({ code, answer }) => {
    const text = answer(found);
    return text === undefined ? [] : [{ code, text }];
  });
}
