import {
  isObject,
  quoted,
  readFormula,
  type Json,
  type FormulaDocument,
  type FormulaLine,
  type Problem,
} from '../formula/index.js';
import { ALTITUDE_RANGE_M } from '../water/index.js';
import {
  SCENARIO_FORMAT,
  SCENARIO_LEVELS,
  type Happening,
  type PracticeScenario,
} from './scenario.js';

/** What a field must be, and what to write where it is not. */
interface FieldRule {
  readonly isRight: (value: unknown) => boolean;
  readonly write: string;
  readonly isOptional?: true;
}

const within = (least: number, most: number, unit: string, isOptional?: true): FieldRule => ({
  isRight: (value) => typeof value === 'number' && value >= least && value <= most,
  write: `write a number from ${least} to ${most}${unit && ` ${unit}`}`,
  ...(isOptional && { isOptional }),
});
const text = (most: number): FieldRule => ({
  isRight: (value) => typeof value === 'string' && value.trim() !== '' && value.length <= most,
  write: `write a text of at most ${most} characters`,
});
const constant = (wanted: string | number): FieldRule => ({
  isRight: (value) => value === wanted,
  write: `write ${JSON.stringify(wanted)}`,
});
const optional = (rule: FieldRule): FieldRule => ({ ...rule, isOptional: true });
const object: FieldRule = { isRight: isObject, write: 'write an object' };
const MOST_WITHIN = 8;
const MOST_HAPPENINGS = 5;
const list = (most: number): FieldRule => ({
  isRight: (value) => Array.isArray(value) && value.length <= most && value.every(isObject),
  write: `write a list of at most ${most} objects`,
});

type Fields = Readonly<Record<string, FieldRule>>;

const SCENARIO_FIELDS: Fields & Readonly<Record<keyof PracticeScenario, FieldRule>> = {
  format: constant(SCENARIO_FORMAT),
  version: constant(1),
  id: {
    isRight: (value) =>
      typeof value === 'string' && /^[a-z0-9]+(-[a-z0-9]+)*$/.test(value) && value.length <= 60,
    write: 'write a short name of small letters, digits and hyphens, such as "weak-burner"',
  },
  title: text(60),
  level: {
    isRight: (value) => (SCENARIO_LEVELS as readonly unknown[]).includes(value),
    write: `write one of ${SCENARIO_LEVELS.join(', ')}`,
  },
  story: text(600),
  learn: text(600),
  formula: object,
  altitude_m: within(ALTITUDE_RANGE_M.least, ALTITUDE_RANGE_M.most, 'm'),
  pan: object,
  burner_W: within(200, 10_000, 'W'),
  cardMinutes: within(1, 3000, 'min'),
  within: optional(list(MOST_WITHIN)),
  fruit: optional(object),
  thermometerError_K: within(0, 8, 'K', true),
  happenings: optional(list(MOST_HAPPENINGS)),
};
const PAN_FIELDS: Fields = {
  volume_l: within(0.5, 60, 'l'),
  diameter_m: within(0.1, 0.8, 'm'),
};
const FRUIT_FIELDS: Fields = {
  pectin: within(0.2, 2, 'times the usual', true),
  acid: within(0.2, 2, 'times the usual', true),
};
const HAPPENING_FIELDS: Readonly<Record<Happening['type'], Fields>> = {
  'power-cut': { belowFinish_K: within(0.2, 20, 'K'), minutes: within(1, 240, 'min') },
  'helper-adds': {
    afterMinutes: within(0, 600, 'min'),
    amount: text(80),
    ingredient: text(60),
  },
  'canner-stops': { afterShare: within(0.05, 0.95, 'of its time') },
};

/** Holds an object against its fields. */
function problemsOf(path: string, value: Json, fields: Fields): Problem[] {
  const at = (name: string): string => (path === '' ? name : `${path}.${name}`);
  const wrong = Object.entries(fields).flatMap(([name, rule]): Problem[] => {
    const found = value[name];
    if (found === undefined && rule.isOptional) return [];
    if (rule.isRight(found)) return [];
    return [{ path: at(name), message: `${quoted(found)}: ${rule.write}` }];
  });
  const unknown = Object.keys(value)
    .filter((name) => !(name in fields))
    .map((name) => ({
      path: at(name),
      message: `there is no such field; there are ${Object.keys(fields).join(', ')}`,
    }));
  return [...wrong, ...unknown];
}

function happeningProblems(happening: Json, i: number): Problem[] {
  const path = `happenings[${i}]`;
  const { type, ...rest } = happening;
  const fields = HAPPENING_FIELDS[type as Happening['type']] as Fields | undefined;
  if (typeof type !== 'string' || !fields)
    return [
      {
        path: `${path}.type`,
        message: `write one of ${Object.keys(HAPPENING_FIELDS).join(', ')}`,
      },
    ];
  return problemsOf(path, rest, fields);
}

/** The formula of a scenario with everything that may go into its pan as lines, in this order. */
export const everythingIn = ({
  formula,
  within: near = [],
  happenings = [],
}: Pick<PracticeScenario, 'formula' | 'within' | 'happenings'>): FormulaDocument => ({
  ...formula,
  lines: [
    ...formula.lines,
    ...near,
    ...happenings.flatMap((each): FormulaLine[] =>
      each.type === 'helper-adds' ? [{ ingredient: each.ingredient, amount: each.amount }] : [],
    ),
  ],
});

export type ScenarioReading =
  | { readonly ok: true; readonly scenario: PracticeScenario }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Reads a scenario somebody wrote. Never throws.
 *
 * @param value what a JSON file held
 * @returns the scenario, or every problem with its path and what would be right
 */
export function readScenario(value: unknown): ScenarioReading {
  if (!isObject(value))
    return { ok: false, problems: [{ path: '', message: 'this is no practice scenario' }] };
  const problems = [
    ...problemsOf('', value, SCENARIO_FIELDS),
    ...(isObject(value['pan']) ? problemsOf('pan', value['pan'], PAN_FIELDS) : []),
    ...(isObject(value['fruit']) ? problemsOf('fruit', value['fruit'], FRUIT_FIELDS) : []),
    ...(Array.isArray(value['happenings'])
      ? value['happenings'].flatMap((each, i) => (isObject(each) ? happeningProblems(each, i) : []))
      : []),
  ];
  if (problems.length > 0) return { ok: false, problems };
  const scenario = value as unknown as PracticeScenario;
  const inPan = formulaProblems(scenario);
  return inPan.length > 0 ? { ok: false, problems: inPan } : { ok: true, scenario };
}

/** What of a formula and of what is within reach is not understood, by its path in the scenario. */
function formulaProblems(scenario: PracticeScenario): Problem[] {
  const own = Array.isArray(scenario.formula.lines) ? scenario.formula.lines.length : 0;
  if (own === 0) return [{ path: 'formula.lines', message: 'write what goes into the pan' }];
  const { problems } = readFormula(everythingIn(scenario), {
    altitude_m: scenario.altitude_m,
  });
  return problems.map(({ path, message }) => {
    const line = /^lines\[(\d+)\](.*)$/.exec(path);
    const more = Number(line?.[1] ?? 0) - own;
    return line && more >= 0
      ? { path: `within[${more}]${line[2] ?? ''}`, message }
      : { path: `formula.${path}`, message };
  });
}
