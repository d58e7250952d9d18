import { seeded } from '../random/index.js';
import { drawLine, MANNERS, POISON_CODES, type DrawnLine } from '../testing/drawn-lines.js';
import { isUnderstood, readLine } from './index.js';

const SEED = Number(process.env.KETTLE_SEED ?? 4780);
/** A twentieth of what `./kettle bench lines` draws. */
const LINES = Number(process.env.KETTLE_LINES ?? 5000);
const LEAST_UNDERSTOOD = 0.97;

type Outcome = 'right' | 'said' | 'wrong';

/** What became of a line: right, said to be not understood, or silently another thing. */
function outcomeOf({ text, measures, ids, grams, tolerance, poison }: DrawnLine): Outcome {
  const reading = readLine(text, { measures });
  if (!isUnderstood(reading)) return 'said';
  if (poison !== undefined) return 'wrong';
  const [part, another] = reading.parts;
  const mass_g = (part?.mass_kg?.mid ?? NaN) * 1000;
  const isRight =
    part !== undefined &&
    another === undefined &&
    ids.includes(part.ingredient.id) &&
    Math.abs(mass_g / grams - 1) <= tolerance;
  return isRight ? 'right' : 'wrong';
}

const randomly = seeded(SEED);
const draw = (below: number): number => Math.floor(randomly.uniform() * below);
const drawn = Array.from({ length: LINES }, () => {
  const line = drawLine(draw);
  return { line, outcome: outcomeOf(line) };
});
const textsOf = (outcome: Outcome, isClean?: boolean): string[] =>
  drawn
    .filter(
      (each) =>
        each.outcome === outcome &&
        (isClean === undefined || isClean === (each.line.poison === undefined)),
    )
    .map(({ line }) => `${line.poison ?? 'clean'}: ${line.text}`);

test(`${LINES} drawn lines, seed ${SEED}: none is silently another food, part, strength or amount`, () => {
  expect(textsOf('wrong')).toEqual([]);
});

test('nearly every line without poison is read', () => {
  const clean = drawn.filter(({ line }) => line.poison === undefined);
  const right = clean.filter(({ outcome }) => outcome === 'right');
  process.stdout.write(
    `${LINES} lines in ${MANNERS} manners, ${POISON_CODES.length} poisons, seed ${SEED}: ` +
      `${((100 * right.length) / clean.length).toFixed(1)} % of ${clean.length} clean ones read\n`,
  );
  const share = right.length / clean.length;
  expect({ share, unread: share < LEAST_UNDERSTOOD ? textsOf('said', true) : [] }).toEqual({
    share: expect.any(Number) as number,
    unread: [],
  });
});

test('every poison is drawn', () => {
  const seen = new Set(drawn.map(({ line }) => line.poison));
  expect(POISON_CODES.filter((code) => !seen.has(code))).toEqual([]);
});
