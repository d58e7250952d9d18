import { displayName, ingredientById } from '../produce/index.js';
import { findJar } from '../jars/index.js';
import type { FormulaDocument, FormulaLine, SugarIn } from './document.js';

const amountOf = ({ amount }: FormulaLine): string =>
  typeof amount === 'string' ? amount : `${amount.value} ${amount.unit}`;

const nameOf = ({ ingredient, name, form, variety }: FormulaLine): string => {
  const known = ingredientById(ingredient ?? '');
  return known
    ? displayName(known, form ?? known.usualForm, variety)
    : (ingredient ?? name ?? 'something');
};

const said = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value));
const finishOf = ({ finish }: FormulaDocument): string => {
  const { type, rise, percent, minutes, mass, temperature } = finish;
  const told = [
    rise,
    percent === undefined ? undefined : `${percent} %`,
    minutes === undefined ? undefined : `${minutes} min`,
    mass,
    temperature,
  ];
  return [type, ...told.filter((each) => each !== undefined)].join(' ');
};
const jarsOf = ({ jars }: FormulaDocument): string =>
  jars
    .map(
      ({ size, count }) =>
        `${count === undefined ? '' : `${count} × `}${findJar(size)?.name[1] ?? size}`,
    )
    .join(', ');

/**
 * Everything of a line but its amount and its place in the list: two lines with the same are the
 * same ingredient.
 */
const keyOf = ({ ingredient, name, form }: FormulaLine): string =>
  JSON.stringify([ingredient, name, form]);

/** What a line says beyond name and amount. */
const detailsOf = ({
  ripeness,
  variety,
  goesIn,
  gives,
  stage,
  overrides,
  composition,
  madeOf,
  alsoStated,
}: FormulaLine): string =>
  JSON.stringify([
    ripeness,
    variety,
    goesIn,
    gives,
    stage,
    overrides,
    composition,
    madeOf,
    alsoStated,
  ]);

const SUGAR_IN_WORDS: Readonly<Record<SugarIn, string>> = {
  'at-once': 'in all at once',
  'by-degrees': 'in by degrees',
  warmed: 'warmed before it goes in',
};

type Difference = (before: FormulaDocument, after: FormulaDocument) => readonly string[];

/** A sentence where what is read of the two is not the same. */
const where =
  <T>(
    read: (document: FormulaDocument) => T,
    sentence: (after: T, before: T) => string,
  ): Difference =>
  (before, after) => {
    const [was, is] = [read(before), read(after)];
    return said(was) === said(is) ? [] : [sentence(is, was)];
  };

/** Lines that went in or out, and what changed of those that stayed. */
const ofLines: Difference = (before, after) => {
  const told: string[] = [];
  const left = [...before.lines];
  const take = (test: (line: FormulaLine) => boolean): FormulaLine | undefined => {
    const at = left.findIndex(test);
    return at < 0 ? undefined : left.splice(at, 1)[0];
  };
  const fresh: FormulaLine[] = [];
  for (const line of after.lines) {
    const was =
      take((each) => keyOf(each) === keyOf(line) && amountOf(each) === amountOf(line)) ??
      take((each) => keyOf(each) === keyOf(line));
    if (was) told.push(...ofLine(was, line));
    else fresh.push(line);
  }
  for (const line of fresh) told.push(`in: ${amountOf(line)} ${nameOf(line)}`.trim());
  for (const line of left) told.push(`out: ${amountOf(line)} ${nameOf(line)}`.trim());
  const order = (lines: readonly FormulaLine[]): string => lines.map(keyOf).join(' ');
  if (fresh.length + left.length === 0 && order(before.lines) !== order(after.lines))
    told.push('lines in another order');
  return told;
};

function ofLine(was: FormulaLine, is: FormulaLine): string[] {
  const told: string[] = [];
  if (amountOf(was) !== amountOf(is))
    told.push(`${nameOf(is)} ${amountOf(is)}, before ${amountOf(was)}`);
  if (detailsOf(was) !== detailsOf(is)) told.push(`${nameOf(is)}: what is known of it`);
  return told;
}

/** What is compared, in the order it is told. */
const DIFFERENCES: readonly Difference[] = [
  where(
    ({ title }) => title,
    (is, was) => `called “${is}”, before “${was}”`,
  ),
  where(
    ({ kind }) => kind,
    (is, was) => `${is}, before ${was}`,
  ),
  where(
    ({ method }) => method,
    (is, was) => `set by ${is}, before ${was}`,
  ),
  ofLines,
  where(
    ({ juiceBy }) => juiceBy,
    (is) => `juice by ${is ?? 'drip'}`,
  ),
  where(
    ({ sugarIn }) => sugarIn,
    (is) => `sugar ${SUGAR_IN_WORDS[is ?? 'at-once']}`,
  ),
  where(
    ({ mixture }) => mixture,
    (is) => (is === undefined ? 'no measured mixture' : `the mixture measures ${is}`),
  ),
  where(finishOf, (is, was) => `finished by ${is}, before ${was}`),
  where(
    ({ stages = [] }) => stages,
    (is) => (is.length > 0 ? 'how it cooks, stage by stage' : 'no stages of cooking'),
  ),
  where(jarsOf, (is, was) => `in ${is}, before ${was}`),
  where(
    ({ processing }) => processing ?? 'boiling-water',
    (is, was) => `then ${is}, before ${was}`,
  ),
  where(
    ({ preSterilised }) => preSterilised ?? false,
    (is) => (is ? 'jars sterilised first' : 'jars not sterilised first'),
  ),
  where(
    ({ testedSource }) => testedSource,
    () => 'the attested source',
  ),
  where(
    ({ measuredPH }) => measuredPH,
    () => 'the measured pH',
  ),
  where(
    ({ notes }) => notes ?? '',
    () => 'the notes',
  ),
];

/**
 * How one formula differs from another, a sentence a change, for a person to read. Empty when
 * nothing that matters changed; the order of the lines alone is one sentence.
 */
export const differences = (before: FormulaDocument, after: FormulaDocument): string[] =>
  DIFFERENCES.flatMap((difference) => difference(before, after));
