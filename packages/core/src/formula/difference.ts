import { displayName, ingredientById } from '../produce/index.js';
import { findJar } from '../jars/index.js';
import type { FormulaDocument, FormulaLine } from './document.js';

const amountOf = ({ amount }: FormulaLine): string =>
  typeof amount === 'string' ? amount : `${amount.value} ${amount.unit}`;

const nameOf = ({ ingredient, name, form }: FormulaLine): string => {
  const known = ingredientById(ingredient ?? '');
  return known ? displayName(known, form ?? known.usualForm) : (ingredient ?? name ?? 'something');
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
  overrides,
  composition,
  alsoStated,
}: FormulaLine): string =>
  JSON.stringify([ripeness, variety, goesIn, overrides, composition, alsoStated]);

/**
 * How one formula differs from another, a sentence a change, for a person to read. Empty when
 * nothing that matters changed; the order of the lines alone is one sentence.
 */
export function differences(before: FormulaDocument, after: FormulaDocument): string[] {
  const told: string[] = [];
  if (before.title !== after.title) told.push(`called “${after.title}”, before “${before.title}”`);
  if (before.kind !== after.kind) told.push(`${after.kind}, before ${before.kind}`);
  if (before.method !== after.method) told.push(`set by ${after.method}, before ${before.method}`);
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
    if (!was) {
      fresh.push(line);
      continue;
    }
    if (amountOf(was) !== amountOf(line))
      told.push(`${nameOf(line)} ${amountOf(line)}, before ${amountOf(was)}`);
    if (detailsOf(was) !== detailsOf(line)) told.push(`${nameOf(line)}: what is known of it`);
  }
  for (const line of fresh) told.push(`in: ${amountOf(line)} ${nameOf(line)}`.trim());
  for (const line of left) told.push(`out: ${amountOf(line)} ${nameOf(line)}`.trim());
  const order = (lines: readonly FormulaLine[]): string =>
    lines.map((line) => keyOf(line)).join(' ');
  if (fresh.length + left.length === 0 && order(before.lines) !== order(after.lines))
    told.push('lines in another order');
  const finish = [finishOf(before), finishOf(after)] as const;
  if (finish[0] !== finish[1]) told.push(`finished by ${finish[1]}, before ${finish[0]}`);
  if (jarsOf(before) !== jarsOf(after)) told.push(`in ${jarsOf(after)}, before ${jarsOf(before)}`);
  if ((before.processing ?? 'boiling-water') !== (after.processing ?? 'boiling-water'))
    told.push(
      `then ${after.processing ?? 'boiling-water'}, before ${before.processing ?? 'boiling-water'}`,
    );
  if ((before.preSterilised ?? false) !== (after.preSterilised ?? false))
    told.push(after.preSterilised ? 'jars boiled sterile first' : 'jars not boiled sterile first');
  if (said(before.testedSource) !== said(after.testedSource)) told.push('the attested source');
  if (said(before.measuredPH) !== said(after.measuredPH)) told.push('the measured pH');
  if ((before.notes ?? '') !== (after.notes ?? '')) told.push('the notes');
  return told;
}
