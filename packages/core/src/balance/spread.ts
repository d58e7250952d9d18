import type { Range } from '../range/index.js';
import {
  addInto,
  contentsAt,
  middleOf,
  sumOf,
  type Contents,
  type LineInput,
  type LinePoint,
} from './contents.js';
import { evaluate, type KnownPH, type Outcome, type PotInput } from './evaluate.js';
import type { PreparedPot } from './prepare.js';

/** How much one uncertain input widens a result. */
export interface Influence {
  /**
   * Document line (the largest, where an ingredient has several), or undefined for a doubt of the
   * whole pot.
   */
  readonly line: number | undefined;
  readonly input: LineInput | PotInput;
  /** Half the width it gives the yield (share of the middle), the firmness and the pH. */
  readonly yieldShare: number;
  readonly firmness: number;
  readonly pH: number;
}

/** The single figures of an outcome that get a range; the jars come after them. */
const FIGURES = {
  mass: ({ mass }: Outcome) => mass,
  soluble: ({ soluble }: Outcome) => soluble,
  insoluble: ({ insoluble }: Outcome) => insoluble,
  solids: ({ solids }: Outcome) => solids,
  finished: ({ finished }: Outcome) => finished,
  volume_ml: ({ volume_ml }: Outcome) => volume_ml,
  waterOff: ({ waterOff }: Outcome) => waterOff,
  losses: ({ losses }: Outcome) => losses,
  pH: ({ pH }: Outcome) => pH,
  firmness: ({ firmness }: Outcome) => firmness,
  inversion: ({ inversion }: Outcome) => inversion,
  boilMinutes: ({ boilMinutes }: Outcome) => boilMinutes,
};
export type Figure = keyof typeof FIGURES;
const FIGURE_NAMES = Object.keys(FIGURES) as readonly Figure[];
const FIGURE_VALUES = Object.values(FIGURES);

/** All figures of an outcome in a row: {@link FIGURES}, then counts and fill masses of the jars. */
function writeFigures(outcome: Outcome, row: Float64Array): void {
  let k = 0;
  for (const valueOf of FIGURE_VALUES) row[k++] = valueOf(outcome);
  for (const count of outcome.counts) row[k++] = count;
  for (const fill_g of outcome.fillMass_g) row[k++] = fill_g;
}

/**
 * Ranges of everything that comes out of a pan: the deviation that each uncertain input makes by
 * itself, added in quadrature.
 */
export class Spread {
  readonly influences: Influence[] = [];
  private readonly middle: Float64Array;
  private readonly middleJars: number;
  private readonly end: Float64Array;
  private readonly up: Float64Array;
  private readonly down: Float64Array;

  constructor(
    private readonly outcome: Outcome,
    private readonly jarCount: number,
  ) {
    const length = FIGURE_VALUES.length + 2 * jarCount;
    this.middle = new Float64Array(length);
    this.end = new Float64Array(length);
    this.up = new Float64Array(length);
    this.down = new Float64Array(length);
    writeFigures(outcome, this.middle);
    this.middleJars = jarsIn(outcome);
  }

  /**
   * Takes in what one input does.
   *
   * @param ends the outcomes at its low and its high end; one may be missing
   * @param mirrored the missing low end deviates as much as the high one, the other way
   */
  add(
    line: number | undefined,
    input: LineInput | PotInput,
    ends: readonly (Outcome | undefined)[],
    mirrored = false,
  ): void {
    let jars = 0;
    let firmness = 0;
    let pH = 0;
    for (const end of ends) {
      if (!end) continue;
      this.deviate(end, mirrored);
      jars = Math.max(jars, Math.abs(jarsIn(end) - this.middleJars));
      firmness = Math.max(firmness, Math.abs(end.firmness - this.outcome.firmness));
      pH = Math.max(pH, Math.abs(end.pH - this.outcome.pH));
    }
    const yieldShare = this.middleJars > 0 ? jars / this.middleJars : 0;
    this.influences.push({ line, input, yieldShare, firmness, pH });
  }

  private deviate(outcome: Outcome, mirrored: boolean): void {
    const { up, down, middle, end } = this;
    writeFigures(outcome, end);
    for (let k = 0; k < end.length; k++) {
      const deviation = (end[k] ?? 0) - (middle[k] ?? 0);
      const square = deviation * deviation;
      if (deviation > 0 || mirrored) up[k] = (up[k] ?? 0) + square;
      if (deviation < 0 || mirrored) down[k] = (down[k] ?? 0) + square;
    }
  }

  /** The range of one figure. @param most it cannot be more than this */
  range(figure: Figure, most = Infinity): Range {
    return this.at(FIGURE_NAMES.indexOf(figure), most);
  }

  /** The range of how many jars of the i-th size are filled. */
  count(i: number): Range {
    return this.at(FIGURE_VALUES.length + i);
  }

  /** The range of what one jar of the i-th size holds, g. */
  fillMass_g(i: number): Range {
    return this.at(FIGURE_VALUES.length + this.jarCount + i);
  }

  private at(k: number, most = Infinity): Range {
    const mid = this.middle[k] ?? 0;
    return {
      low: Math.max(mid - Math.sqrt(this.down[k] ?? 0), 0),
      mid,
      high: Math.min(mid + Math.sqrt(this.up[k] ?? 0), Math.max(most, mid)),
    };
  }
}

function jarsIn({ counts }: Outcome): number {
  let sum = 0;
  for (const count of counts) sum += count;
  return sum;
}

/** The pH before the model's own doubt. */
const knownPH = ({ outcome, middle }: PreparedPot, moves: boolean): KnownPH => ({
  pH: outcome.pH - middle.pHModel,
  moves,
});

/** Doubts of the whole pan: its finish, the losses, the model. */
function addPotInputs(spread: Spread, pot: PreparedPot): void {
  const { inputs, contents, middle, rules } = pot;
  const samePH = knownPH(pot, false);
  const at = (input: PotInput, value: number): Outcome =>
    evaluate(contents, { ...middle, [input]: value }, rules, samePH);
  for (const input of Object.keys(inputs) as PotInput[]) {
    const { low, mid, high } = inputs[input];
    if (low === high) continue;
    spread.add(undefined, input, [
      low === mid ? undefined : at(input, low),
      high === mid ? undefined : at(input, high),
    ]);
  }
}

/**
 * Inputs that act so nearly linearly that the low end mirrors the high one, where their range is
 * even.
 */
const LINEAR: ReadonlySet<LineInput> = new Set<LineInput>(['mass', 'soluble', 'insoluble']);
/** A range whose middle is off by less than this share of its width is even. */
const EVEN_WITHIN = 0.02;
/**
 * A spoonful of spice or salt cannot widen anything: below this share of the pan only acid and
 * pectin are moved.
 */
const LITTLE_SHARE = 0.01;

const ACID_INPUTS: ReadonlySet<LineInput> = new Set<LineInput>(['mass', 'ripeness', 'acidity']);

const hasAcid = ({ perKg }: LinePoint): boolean =>
  perKg.citric + perKg.malic + perKg.tartaric + perKg.acetic + perKg.cation > 0;
const hasPectin = ({ perKg }: LinePoint): boolean =>
  perKg.pectin + perKg.highMethoxyl + perKg.lowMethoxyl > 0;

/** Whether an input of a line can widen anything. */
function canWiden(point: LinePoint, input: LineInput, isLittle: boolean): boolean {
  const [acid, pectin] = [hasAcid(point), hasPectin(point)];
  switch (input) {
    case 'ripeness':
      return acid && !isLittle;
    case 'acidity':
      return acid;
    case 'pectin':
      return pectin;
    case 'mass':
      return !isLittle || acid || pectin;
    case 'soluble':
    case 'insoluble':
      return !isLittle;
  }
}

/** A line whose input can widen something. */
interface Doubted {
  readonly point: LinePoint;
  readonly part: Contents;
  readonly values: Record<LineInput, number>;
}

/** Whether the low end of an input lies as far from its middle as the high end. */
function isEven({ point }: Doubted, input: LineInput): boolean {
  const { low, mid, high } = point.inputs[input];
  return Math.abs(high + low - 2 * mid) <= EVEN_WITHIN * (high - low);
}

/**
 * Doubts of one ingredient: how much of it there is, and what is in it. All its lines move
 * together, so that nobody is surer of two half kilos than of one kilo.
 */
function addIngredientInputs(spread: Spread, pot: PreparedPot, places: readonly number[]): void {
  const lines = places.flatMap((i): Doubted[] => {
    const [point, part] = [pot.points[i], pot.parts[i]];
    return point && part ? [{ point, part, values: middleOf(point) }] : [];
  });
  const together = sumOf(lines.map(({ part }) => part));
  const isLittle = together.mass < pot.contents.mass * LITTLE_SHARE;
  const rest = addInto({ ...pot.contents }, together, -1);
  const [samePH, movedPH] = [knownPH(pot, false), knownPH(pot, true)];
  const acid = lines.some(({ point }) => hasAcid(point));
  const largest = lines.reduce((a, b) => (b.part.mass > a.part.mass ? b : a));
  const at = (input: LineInput, end: 'low' | 'high'): Outcome => {
    const moved = { ...rest };
    for (const { point, values } of lines) {
      const usual = values[input];
      values[input] = point.inputs[input][end];
      addInto(moved, contentsAt(point, values));
      values[input] = usual;
    }
    return evaluate(
      moved,
      pot.middle,
      pot.rules,
      acid && ACID_INPUTS.has(input) ? movedPH : samePH,
    );
  };
  for (const input of Object.keys(largest.point.inputs) as LineInput[]) {
    const wide = lines.filter(
      ({ point }) =>
        point.inputs[input].low !== point.inputs[input].high && canWiden(point, input, isLittle),
    );
    if (wide.length === 0) continue;
    const mirrored = LINEAR.has(input) && wide.every((line) => isEven(line, input));
    const moves = (end: 'low' | 'high'): boolean =>
      wide.some(({ point }) => point.inputs[input][end] !== point.inputs[input].mid);
    const ends = [
      mirrored || !moves('low') ? undefined : at(input, 'low'),
      moves('high') ? at(input, 'high') : undefined,
    ];
    spread.add(largest.point.line.index, input, ends, mirrored);
  }
}

/** Every uncertain input of a pan moved to its low and its high end, each by itself. */
export function spreadOf(pot: PreparedPot): Spread {
  const spread = new Spread(pot.outcome, pot.formula.jars.length);
  addPotInputs(spread, pot);
  for (const places of pot.sameIngredient) addIngredientInputs(spread, pot, places);
  return spread;
}
