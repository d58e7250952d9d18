import { within, type Range } from '../range/index.js';
import {
  nearest,
  parseAmount,
  parseMeasure,
  unitById,
  type Amount,
  type Decimal,
} from '../quantity/index.js';
import { checkPlace, GEL_RISE_C, type Place } from '../water/index.js';
import {
  compositionOf,
  FORMS,
  massOf,
  readName,
  type Composition,
  type Form,
  type Ingredient,
} from '../produce/index.js';
import { findJar, JAR_SIZES, QUARTER_INCH_MM, type JarChoice } from '../jars/index.js';
import {
  FINISHES,
  KINDS,
  METHODS,
  METHODS_OF_KIND,
  USUAL_FINISHES,
  type FinishType,
  type Kind,
  type Method,
} from './document.js';

/** What is wrong, and where in the document: `lines[2].amount`. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

export interface Warning {
  readonly code: string;
  readonly text: string;
}

/** One understood line: what goes into the pot. */
export interface PotLine {
  /** Position in the document's `lines`. */
  readonly index: number;
  readonly label: string;
  readonly ingredient: Ingredient | undefined;
  readonly form: Form;
  readonly amount: Amount;
  readonly mass_kg: Range;
  readonly composition: Composition;
}

export type Finish =
  | { readonly type: 'gel-temperature'; readonly rise_K: number }
  | { readonly type: 'soluble-solids'; readonly percent: Range }
  | { readonly type: 'hard-boil'; readonly minutes: number }
  | { readonly type: 'weight'; readonly mass_kg: Range }
  | { readonly type: 'consistency'; readonly percent: Range | undefined };

/** A formula in SI units, with every line that could be understood. */
export interface PotFormula {
  readonly kind: Kind;
  readonly method: Method;
  readonly lines: readonly PotLine[];
  readonly finish: Finish;
  readonly place: Place;
  readonly jars: readonly (JarChoice & { readonly size: string })[];
  readonly warnings: readonly Warning[];
}

export interface Reading {
  readonly formula: PotFormula;
  /** Empty when the whole document was understood. */
  readonly problems: readonly Problem[];
}

/** More than a household puts in one pot, kg; a larger amount is taken for a slip. Common practice. */
const MOST_IN_A_LINE_KG = 100;
const MOST_LINES = 200;

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** `value` as it should be quoted in a message. */
const quoted = (value: unknown): string =>
  (value === undefined ? 'missing' : JSON.stringify(value)).slice(0, 80);

class Reader {
  readonly problems: Problem[] = [];
  readonly warnings: Warning[] = [];
  decimal: Decimal = '.';

  problem(path: string, message: string): void {
    this.problems.push({ path, message });
  }

  oneOf<T extends string>(path: string, value: unknown, allowed: readonly T[], fallback: T): T {
    if (typeof value === 'string' && (allowed as readonly string[]).includes(value)) return value as T;
    const guess = typeof value === 'string' ? nearest(value, allowed)[0] : undefined;
    this.problem(
      path,
      `${quoted(value)}: ${guess === undefined ? `write one of ${allowed.join(', ')}` : `did you mean "${guess}"?`}`,
    );
    return fallback;
  }

  percent(path: string, value: unknown, least: number, most: number): number | undefined {
    if (typeof value === 'number' && value >= least && value <= most) return value;
    this.problem(path, `${quoted(value)}: write a per cent from ${least} to ${most}`);
    return undefined;
  }

  amount(path: string, value: unknown): Amount | undefined {
    if (isObject(value)) {
      const { value: number, unit } = value;
      if (typeof number !== 'number' || !Number.isFinite(number) || number <= 0) {
        this.problem(`${path}.value`, `${quoted(number)}: write a number above zero`);
        return undefined;
      }
      return this.amount(path, `${number.toFixed(6)} ${typeof unit === 'string' ? unit : ''}`);
    }
    if (typeof value !== 'string') {
      this.problem(path, `${quoted(value)}: write a number and a unit, such as "1.2 kg" or "2 1/2 cups"`);
      return undefined;
    }
    const reading = parseAmount(value, this.decimal);
    if (reading.ok) return reading.amount;
    this.problem(path, reading.message);
    return undefined;
  }

  line(index: number, value: unknown): PotLine | undefined {
    const path = `lines[${index}]`;
    if (!isObject(value)) {
      this.problem(path, `${quoted(value)}: a line is { "ingredient", "amount" }`);
      return undefined;
    }
    const amount = this.amount(`${path}.amount`, value.amount);
    const own = value.ingredient === undefined && value.name !== undefined;
    const named = own ? this.ownIngredient(path, value) : this.knownIngredient(path, value);
    if (!amount || !named) return undefined;
    const { ingredient, form } = named;
    const mass = massOf(amount, ingredient, form);
    if (!mass.ok) {
      this.problem(`${path}.amount`, mass.message);
      return undefined;
    }
    if (mass.caution) this.warnings.push({ code: mass.caution.code, text: mass.caution.text });
    if (mass.mass_kg.mid > MOST_IN_A_LINE_KG) {
      this.problem(
        `${path}.amount`,
        `${quoted(value.amount)} is ${Math.round(mass.mass_kg.mid)} kg of ${ingredient.name[1]}, more than any kitchen boils at once; write at most ${MOST_IN_A_LINE_KG} kg`,
      );
      return undefined;
    }
    let composition = compositionOf(ingredient, form);
    if (isObject(value.overrides) && value.overrides.solubleSolidsPercent !== undefined) {
      const measured = this.percent(
        `${path}.overrides.solubleSolidsPercent`,
        value.overrides.solubleSolidsPercent,
        0,
        100,
      );
      // A kitchen refractometer reads to about half a degree Brix. Common practice.
      if (measured !== undefined)
        composition = {
          ...composition,
          soluble: {
            low: Math.max(measured - 0.5, 0) / 100,
            mid: measured / 100,
            high: Math.min(measured + 0.5, 100) / 100,
          },
        };
    }
    return { index, label: ingredient.name[1], ingredient, form, amount, mass_kg: mass.mass_kg, composition };
  }

  private knownIngredient(path: string, value: Json): { ingredient: Ingredient; form: Form } | undefined {
    if (typeof value.ingredient !== 'string') {
      this.problem(`${path}.ingredient`, `${quoted(value.ingredient)}: write a fruit, sugar, acid or water`);
      return undefined;
    }
    const reading = readName(value.ingredient.replaceAll('-', ' '));
    if (!reading.ok) {
      this.problem(`${path}.ingredient`, reading.message);
      return undefined;
    }
    if (value.form === undefined) return reading;
    const before = this.problems.length;
    const form = this.oneOf(`${path}.form`, value.form, FORMS, reading.form);
    return this.problems.length > before ? undefined : { ingredient: reading.ingredient, form };
  }

  private ownIngredient(path: string, value: Json): { ingredient: Ingredient; form: Form } | undefined {
    const name =
      typeof value.name === 'string' && value.name.trim() !== ''
        ? value.name.trim().slice(0, 80)
        : 'own ingredient';
    const given = isObject(value.composition) ? value.composition : {};
    const soluble = this.percent(
      `${path}.composition.solubleSolidsPercent`,
      given.solubleSolidsPercent,
      0,
      100,
    );
    if (soluble === undefined) return undefined;
    const insoluble = typeof given.insolubleSolidsPercent === 'number' ? given.insolubleSolidsPercent : 0;
    const density =
      typeof given.densityKgPerM3 === 'number' && given.densityKgPerM3 >= 50 && given.densityKgPerM3 <= 2500
        ? given.densityKgPerM3
        : undefined;
    const source = 'given in the document';
    const spread = (mid: number): { low: number; mid: number; high: number; source: string } => ({
      low: mid * 0.9,
      mid,
      high: Math.min(mid * 1.1, 100),
      source,
    });
    return {
      form: 'whole',
      ingredient: {
        id: 'own', name: [name, name], synonyms: [], category: 'extra', usualForm: 'whole', liquid: false, invertShare: 0.8,
        solubleSolidsPercent: spread(soluble), insolubleSolidsPercent: spread(insoluble),
        gramsPerCup: density === undefined ? {} : { whole: (density * unitById('cup').si) / 1e6 },
      },
    }; // prettier-ignore
  }

  finish(value: unknown, kind: Kind, method: Method): Finish {
    const gel: Finish = { type: 'gel-temperature', rise_K: GEL_RISE_C };
    if (!isObject(value)) {
      this.problem(
        'finish',
        `${quoted(value)}: write how it is finished, such as { "type": "gel-temperature" }`,
      );
      return gel;
    }
    const type: FinishType = this.oneOf('finish.type', value.type, FINISHES, 'gel-temperature');
    if (kind !== 'curd' && !USUAL_FINISHES[method].includes(type)) {
      this.warnings.push({
        code: 'unusual-finish',
        text: `${method} is usually finished by ${USUAL_FINISHES[method].join(' or ')}, not by ${type}; computed as written`,
      });
    }
    switch (type) {
      case 'gel-temperature': {
        if (value.rise === undefined) return gel;
        const rise =
          typeof value.rise === 'string'
            ? parseMeasure('rise', value.rise, this.decimal)
            : { ok: false as const, message: `${quoted(value.rise)}: write a rise such as "8 F"` };
        if (rise.ok && rise.value >= 0.5 && rise.value <= 15) return { type, rise_K: rise.value };
        this.problem(
          'finish.rise',
          rise.ok ? `${quoted(value.rise)}: write a rise from 1 to 27 F (0.5 to 15 C)` : rise.message,
        );
        return gel;
      }
      case 'soluble-solids': {
        const percent = this.percent('finish.percent', value.percent, 10, 85);
        return {
          type,
          percent:
            percent === undefined ? within(65, 0.015) : { low: percent - 1, mid: percent, high: percent + 1 },
        };
      }
      case 'hard-boil': {
        const minutes = value.minutes ?? 1;
        if (typeof minutes === 'number' && minutes > 0 && minutes <= 30) return { type, minutes };
        this.problem('finish.minutes', `${quoted(minutes)}: write the minutes of hard boil, up to 30`);
        return { type, minutes: 1 };
      }
      case 'weight': {
        const amount = this.amount('finish.mass', value.mass);
        if (amount && amount.unit.kind === 'mass' && amount.value * amount.unit.si <= MOST_IN_A_LINE_KG * 2)
          return { type, mass_kg: within(amount.value * amount.unit.si, 0.01) };
        if (amount)
          this.problem(
            'finish.mass',
            `${quoted(value.mass)}: write the weight of the finished pot, such as "1.7 kg"`,
          );
        return gel;
      }
      case 'consistency': {
        if (value.percent === undefined) return { type, percent: undefined };
        const percent = this.percent('finish.percent', value.percent, 10, 80);
        return {
          type,
          percent: percent === undefined ? undefined : { low: percent - 3, mid: percent, high: percent + 3 },
        };
      }
      case 'curd':
        if (kind !== 'curd')
          this.problem(
            'finish.type',
            `"curd" is the finish of a curd; for a ${kind} write one of ${USUAL_FINISHES[method].join(', ')}`,
          );
        return gel;
    }
  }

  place(value: unknown, fallback: Place): Place {
    if (value === undefined) return fallback;
    if (!isObject(value)) {
      this.problem('place', `${quoted(value)}: write { "altitude": "310 m" }`);
      return fallback;
    }
    const place: { -readonly [K in keyof Place]: Place[K] } = {};
    for (const [key, measure, field] of [
      ['altitude', 'length', 'altitude_m'],
      ['pressure', 'pressure', 'pressure_kPa'],
      ['boilingPoint', 'temperature', 'boilingPoint_C'],
    ] as const) {
      const text = value[key];
      if (text === undefined) continue;
      const reading =
        typeof text === 'string'
          ? parseMeasure(measure, text, this.decimal)
          : { ok: false as const, message: `${quoted(text)}: write it with its unit, in quotes` };
      const wrong = reading.ok ? checkPlace({ [field]: reading.value })[0]?.message : reading.message;
      if (wrong !== undefined) this.problem(`place.${key}`, wrong);
      else if (reading.ok) place[field] = reading.value;
    }
    return place;
  }

  jars(value: unknown): PotFormula['jars'] {
    const fallback = [
      { size: 'half-pint', jar: findJar('half-pint') ?? JAR_SIZES[0]!, headspace_mm: QUARTER_INCH_MM },
    ];
    if (value === undefined) return fallback;
    if (!Array.isArray(value) || value.length > 20) {
      this.problem('jars', `${quoted(value)}: write a list of sizes, such as [{ "size": "half-pint" }]`);
      return fallback;
    }
    const jars = value.map((entry: unknown, i) => {
      const { size, headspace, count } = isObject(entry) ? entry : {};
      const id = this.oneOf(
        `jars[${i}].size`,
        size,
        JAR_SIZES.map((jar) => jar.id),
        'half-pint',
      );
      const jar = findJar(id) ?? fallback[0]!.jar;
      return {
        size: id,
        jar,
        headspace_mm: this.headspace(`jars[${i}].headspace`, headspace),
        ...this.available(`jars[${i}].count`, count),
      };
    });
    return jars.length === 0 ? fallback : jars;
  }

  private headspace(path: string, value: unknown): number {
    if (value === undefined) return QUARTER_INCH_MM;
    const inches =
      typeof value === 'string' ? /^\s*(?:(\d+)\/(\d+)|([\d.]+))\s*(?:in|inch|")\s*$/.exec(value) : null;
    const millimetres = typeof value === 'string' ? /^\s*([\d.]+)\s*mm\s*$/.exec(value) : null;
    const mm = inches
      ? (inches[3] === undefined ? Number(inches[1]) / Number(inches[2]) : Number(inches[3])) * 25.4
      : Number(millimetres?.[1] ?? NaN);
    if (mm >= 3 && mm <= 40) return mm;
    this.problem(path, `${quoted(value)}: write a headspace such as "1/4 in" or "6 mm", 3 to 40 mm`);
    return QUARTER_INCH_MM;
  }

  private available(path: string, value: unknown): { available?: number } {
    if (value === undefined) return {};
    if (typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 10_000)
      return { available: value };
    this.problem(path, `${quoted(value)}: write how many jars of this size there are, a whole number`);
    return {};
  }
}

/**
 * Reads a formula document, as much of it as can be understood.
 *
 * @param document anything, such as parsed JSON; never throws for what it holds
 * @param kitchen the place to use when the document names none
 * @returns the understood part in SI units, and one problem for everything that was not, with its path
 */
export function readFormula(document: unknown, kitchen: Place = {}): Reading {
  const reader = new Reader();
  const doc: Json = isObject(document) ? document : {};
  if (!isObject(document))
    reader.problem('', `${quoted(document)}: a formula is a JSON object with "kind", "method" and "lines"`);
  else if (doc.format !== undefined && doc.format !== 'idle-kettle/formula')
    reader.problem('format', `${quoted(doc.format)}: write "idle-kettle/formula"`);
  if (doc.version !== undefined && doc.version !== 1)
    reader.problem('version', `${quoted(doc.version)}: only version 1 is known`);
  if (doc.decimal === ',') reader.decimal = ',';

  const kind = reader.oneOf('kind', doc.kind, KINDS, 'jam');
  const method = reader.oneOf('method', doc.method, METHODS, METHODS_OF_KIND[kind][0] ?? 'long-boil');
  if (!METHODS_OF_KIND[kind].includes(method))
    reader.problem(
      'method',
      `"${method}" does not go with ${kind}; write one of ${METHODS_OF_KIND[kind].join(', ')}`,
    );
  if (kind === 'curd')
    reader.problem(
      'kind',
      '"curd" cannot be computed: no egg is in the ingredient table; write one of ' +
        KINDS.filter((k) => k !== 'curd').join(', '),
    );

  const given = Array.isArray(doc.lines) ? (doc.lines as unknown[]) : [];
  if (!Array.isArray(doc.lines))
    reader.problem('lines', `${quoted(doc.lines)}: write a list of { "ingredient", "amount" }`);
  else if (given.length === 0) reader.problem('lines', 'nothing is in the pot; add a fruit and its amount');
  else if (given.length > MOST_LINES)
    reader.problem('lines', `${given.length} lines; at most ${MOST_LINES} are computed`);
  const lines = given.slice(0, MOST_LINES).flatMap((line, index) => reader.line(index, line) ?? []);

  const finish = reader.finish(doc.finish, kind, method);
  const place = reader.place(doc.place, kitchen);
  const jars = reader.jars(doc.jars);
  if (
    place.altitude_m === undefined &&
    place.pressure_kPa === undefined &&
    place.boilingPoint_C === undefined
  ) {
    reader.warnings.push({
      code: 'sea-level-assumed',
      text: 'no altitude is known, so sea level is assumed; the pot boils cooler higher up',
    });
  }
  if (
    lines.length > 0 &&
    !lines.some(
      (line) =>
        line.ingredient?.category === 'fruit' ||
        line.ingredient?.category === 'juice' ||
        line.ingredient?.id === 'own',
    )
  ) {
    reader.warnings.push({ code: 'no-fruit', text: 'there is no fruit or juice in the pot' });
  }
  return {
    formula: { kind, method, lines, finish, place, jars, warnings: reader.warnings },
    problems: reader.problems,
  };
}
