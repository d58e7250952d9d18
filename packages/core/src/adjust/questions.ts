import { fruitMass_kg, jarsExpected, type Balance } from '../balance/index.js';
import {
  readFormula,
  type FormulaDocument,
  type PotFormula,
  type PotLine,
} from '../formula/index.js';
import { findJar, fillVolume_ml, JAR_SIZES, QUARTER_INCH_MM, type JarSize } from '../jars/index.js';
import { KEEPING_VERDICTS } from '../keeping/index.js';
import {
  compositionOf,
  displayName,
  ingredientById,
  INGREDIENTS,
  isProduce,
  knownForms,
  type Form,
  type Ingredient,
} from '../produce/index.js';
import { kitchenFraction, type UnitSystem } from '../quantity/index.js';
import { amountFor } from './addition.js';
import { amountOf, edited, scaledAmount, type Edit } from './edit.js';
import { assess, effectOf, type Assessment, type AssessmentOptions } from './effect.js';
import { remedies } from './remedies.js';
import { scaleFormula } from './scale.js';
import { insteadOfSugar, swapped } from './swap.js';

export interface QuestionOptions extends AssessmentOptions {
  readonly units?: UnitSystem;
}

/** The batch that is asked about, worked out once. */
interface Asked {
  readonly document: FormulaDocument;
  readonly formula: PotFormula;
  readonly before: Assessment;
  readonly options: QuestionOptions;
}

/** One way to do it, computed on the batch. */
export interface Variant {
  readonly name: string;
  readonly document: FormulaDocument;
  /** What it changes, in a line; empty where nothing much moves. */
  readonly effect: string;
  /** What it makes worse, if anything: how it stores, or its set. */
  readonly worse: 'storage' | 'set' | undefined;
}

export interface Answer {
  /** What to know, beside the figures. */
  readonly text: string;
  /** The ways there are; empty where it is not a matter of the formula. */
  readonly variants: readonly Variant[];
}

/** A question people ask of a batch, and how it is answered by computing on it. */
export interface UsualQuestion {
  readonly code: string;
  readonly question: string;
  /** Undefined where it does not arise: no lemon to leave out. */
  readonly answer: (asked: Asked) => Answer | undefined;
}

const strictness = ({ keeping: { verdict } }: Assessment): number =>
  KEEPING_VERDICTS.indexOf(verdict);

/** A set that is so much weaker, on the firmness scale, is worse. A choice of ours. */
const WEAKER_BY = 0.25;

function worseBy(before: Assessment, after: Assessment): Variant['worse'] {
  if (strictness(after) > strictness(before)) return 'storage';
  const [was, is] = [before.balance.set, after.balance.set];
  const isWeaker = is.firmness.mid < was.firmness.mid - WEAKER_BY;
  return isWeaker && ['none', 'soft'].includes(is.verdict) ? 'set' : undefined;
}

const minutesOf = ({ keeping: { process } }: Assessment): string =>
  process ? `${process.minutes} min` : 'none';

const sizesOf = ({ balance: { jars } }: Assessment): string => jars.map(({ size }) => size).join();

/** The effect, with the processing where that changes, and how many of other jars it fills. */
function effectWithProcess(before: Assessment, after: Assessment): string {
  const [was, is] = [minutesOf(before), minutesOf(after)];
  return [
    effectOf(before, after),
    sizesOf(before) === sizesOf(after)
      ? ''
      : `it fills about ${kitchenFraction(jarsExpected(after.balance))}`,
    was === is ? '' : `processing ${was} → ${is}`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** The changes that can be computed, each as a variant. */
function variantsOf(
  { before, options }: Asked,
  changes: readonly (readonly [name: string, document: FormulaDocument | undefined])[],
): readonly Variant[] {
  return changes.flatMap(([name, document]) => {
    const after = document && assess(document, options);
    return document && after
      ? [
          {
            name,
            document,
            effect: effectWithProcess(before, after),
            worse: worseBy(before, after),
          },
        ]
      : [];
  });
}

const linesWith = (formula: PotFormula, holds: (line: PotLine) => boolean): readonly PotLine[] =>
  formula.lines.filter(holds);
const isSugar = ({ ingredient }: PotLine): boolean => ingredient.category === 'sweetener';
const isFruit = ({ ingredient }: PotLine): boolean => isProduce(ingredient);

/** The same lines, so many times as much of each. */
function timesLines(document: FormulaDocument, lines: readonly PotLine[], factor: number): Edit[] {
  return lines.flatMap(({ index }): Edit[] => {
    const line = document.lines[index];
    const amount = line && amountOf(line, document);
    return amount ? [{ op: 'set', line: index, amount: scaledAmount(amount, factor) }] : [];
  });
}

const lessSugar: UsualQuestion = {
  code: 'less-sugar',
  question: 'Can I use less sugar?',
  answer: (asked) => {
    const { document, formula, options } = asked;
    const sugars = linesWith(formula, isSugar);
    if (sugars.length === 0) return undefined;
    const half = edited(document, timesLines(document, sugars, 1 / 2));
    const calcium = remedies(half, options).find(({ code }) => code === 'calcium-instead');
    return {
      text: 'Sugar holds the water of the set and is most of what fills the jars. With less of it there are fewer jars, fruit pectin sets less, and under about 55 °Brix it moulds soon after opening.',
      variants: variantsOf(asked, [
        ['A quarter less', edited(document, timesLines(document, sugars, 3 / 4))],
        ['Half of it', half],
        ['Half of it, with calcium pectin', calcium && edited(half, calcium.change)],
      ]),
    };
  },
};

/** Every sugar replaced by what brings the same solids; the rest of the document as it is. */
function withSweetener(asked: Asked, id: string, share = 1): FormulaDocument | undefined {
  const { document, formula, options } = asked;
  const sweetener = ingredientById(id);
  const instead = sweetener && insteadOfSugar(sweetener);
  const sugars = linesWith(formula, ({ ingredient }) => ingredient.id.endsWith('-sugar'));
  if (!instead || sugars.length === 0) return undefined;
  const mass_kg = sugars.reduce((sum, line) => sum + line.mass_kg.mid, 0) * share;
  const edits: Edit[] =
    share === 1
      ? sugars.map(({ index }): Edit => ({ op: 'remove', line: index })).reverse()
      : timesLines(document, sugars, 1 - share);
  const amount = amountFor(id, mass_kg * instead.mass_kg * 1000, options.units ?? 'metric');
  return edited(document, [...edits, { op: 'add', ingredient: id, amount }]);
}

const otherSweetener: UsualQuestion = {
  code: 'honey',
  question: 'Can I use honey or another sweetener?',
  answer: (asked) => {
    const { document, formula } = asked;
    const sugars = linesWith(formula, ({ ingredient }) => ingredient.id.endsWith('-sugar'));
    if (sugars.length === 0) return undefined;
    return {
      text: 'Honey, agave and syrups bring water that is boiled off, and a taste of their own. A sweetener without sugar sweetens and adds no solids: fruit pectin does not set with it, calcium pectin does.',
      variants: variantsOf(asked, [
        ['Honey for all of it', withSweetener(asked, 'honey')],
        ['Honey for half', withSweetener(asked, 'honey', 1 / 2)],
        ['Agave syrup for all of it', withSweetener(asked, 'agave-syrup')],
        [
          'No sugar, a sweetener to taste',
          edited(
            document,
            sugars.map(({ index }): Edit => ({ op: 'remove', line: index })).reverse(),
          ),
        ],
      ]),
    };
  },
};

/** All the fruit in another form, where it is known in it. */
function inForm({ document, formula }: Asked, form: Form): FormulaDocument | undefined {
  const fruits = linesWith(formula, isFruit).filter(({ ingredient }) =>
    knownForms(ingredient).includes(form),
  );
  if (fruits.length === 0) return undefined;
  const changed = new Map(
    fruits.map(({ index, mass_kg }) => [index, `${(mass_kg.mid * 1000).toFixed(0)} g`]),
  );
  const cleared = edited(document, [
    ...[...changed].map(([line, amount]): Edit => ({ op: 'set', line, amount })),
  ]);
  return {
    ...cleared,
    lines: cleared.lines.map((line, i) => (changed.has(i) ? { ...line, form } : line)),
  };
}

const frozenOrTinned: UsualQuestion = {
  code: 'frozen',
  question: 'Can I use frozen or tinned fruit?',
  answer: (asked) =>
    linesWith(asked.formula, isFruit).length === 0
      ? undefined
      : {
          text: 'Frozen fruit is as good: part-thaw it, and weigh it with all its drip. Tinned fruit has left acid and pectin in its liquid, nobody knows how much: it is not counted as acid.',
          variants: variantsOf(asked, [
            ['The same weight, frozen', inForm(asked, 'frozen')],
            ['The same weight, tinned and drained', inForm(asked, 'drained')],
          ]),
        },
};

/** Fruits that differ by this in one thing are unlike in it: pH, mass fractions. A choice of ours. */
const UNLIKE = { pH: 0.3, pectin: 0.003, solids: 0.04 } as const;

/** How unlike two fruits are for a spread: pH, pectin and sugar, each by what of it matters. */
function unlikeness(one: Ingredient, other: Ingredient): number {
  const [a, b] = [one, other].map((each) => compositionOf(each, each.usualForm));
  if (!a || !b) return Infinity;
  const pH = Math.abs((a.acidity?.pH.mid ?? 7) - (b.acidity?.pH.mid ?? 7));
  const pectin = Math.abs(a.pectin.mid - b.pectin.mid) / UNLIKE.pectin;
  const solids = Math.abs(a.soluble.mid - b.soluble.mid) / UNLIKE.solids;
  return pH / UNLIKE.pH + pectin + solids;
}

/** Fruits offered in place of another. */
const ALTERNATIVES = 3;

const otherFruit: UsualQuestion = {
  code: 'swap',
  question: 'Can I use another fruit?',
  answer: (asked) => {
    const { formula, document } = asked;
    const main = linesWith(formula, isFruit).toSorted((a, b) => b.mass_kg.mid - a.mass_kg.mid)[0];
    if (main?.ingredient.category !== 'fruit') return undefined;
    const alike = INGREDIENTS.filter(
      (each) =>
        each.category === 'fruit' &&
        each.id !== main.ingredient.id &&
        each.acidClass === 'acid' &&
        knownForms(each).includes(main.form),
    )
      .map((each) => ({ each, unlike: unlikeness(main.ingredient, each) }))
      .sort((a, b) => a.unlike - b.unlike)
      .slice(0, ALTERNATIVES);
    return {
      text: 'These are the most like it in acid, pectin and sugar. Any other can be put in its line: it is computed anew, and a tested recipe holds for its own fruit only.',
      variants: variantsOf(
        asked,
        alike.map(({ each }) => [
          `${displayName(each, main.form)} instead of ${main.ingredient.name[1]}`,
          swapped(document, main.index, each.id),
        ]),
      ),
    };
  },
};

const doubleIt: UsualQuestion = {
  code: 'double',
  question: 'Can I double it?',
  answer: (asked) => {
    const scaled = scaleFormula(
      asked.document,
      { by: 'factor', factor: 2 },
      asked.options.kitchen ?? {},
    );
    if (!scaled.ok) return undefined;
    const added = asked.formula.lines.some(({ ingredient }) => ingredient.category === 'pectin');
    return {
      text: [
        added
          ? 'With added pectin make it twice, one after the other: in a large pan it boils too long and sets weakly.'
          : 'It takes longer to boil down, and the set weakens with every minute. A wide pan helps.',
        ...scaled.notes.map((note) => `${note}.`),
      ].join(' '),
      variants: variantsOf(asked, [['Twice everything', scaled.document]]),
    };
  },
};

/** Jars that hold less than so many times as much are hardly larger. A choice of ours. */
const LARGER_BY = 1.3;
/** So many larger jars are tried. */
const LARGER_TRIED = 3;

/** The next jar with such a lid that is clearly larger. */
function largerThan(jar: JarSize): JarSize | undefined {
  const holds = (each: JarSize): number => fillVolume_ml(each, QUARTER_INCH_MM);
  return JAR_SIZES.filter(
    (each) =>
      (each.mouth === 'twist') === (jar.mouth === 'twist') && holds(each) >= holds(jar) * LARGER_BY,
  ).toSorted((a, b) => holds(a) - holds(b))[0];
}

const biggerJars: UsualQuestion = {
  code: 'bigger-jars',
  question: 'Can I use bigger jars?',
  answer: (asked) => {
    const larger: JarSize[] = [];
    let jar = findJar(asked.document.jars[0]?.size ?? '');
    while (jar && larger.length < LARGER_TRIED) {
      jar = largerThan(jar);
      if (jar) larger.push(jar);
    }
    return larger.length === 0
      ? undefined
      : {
          text: 'Processing minutes are tested up to a size of jar: in a larger one the middle stays cooler. Where there is no tested time it is not for the shelf.',
          variants: variantsOf(
            asked,
            larger.map(({ id, name }) => [
              name[1],
              edited(asked.document, [{ op: 'jars', jars: [{ size: id }] }]),
            ]),
          ),
        };
  },
};

const withoutLemon: UsualQuestion = {
  code: 'lemon',
  question: 'Can I leave out the lemon?',
  answer: (asked) => {
    const acids = linesWith(
      asked.formula,
      ({ ingredient: { category, id } }) => category === 'acid' || /^(lemon|lime)/.test(id),
    );
    const others = linesWith(asked.formula, (line) => isFruit(line) && !acids.includes(line));
    if (acids.length === 0 || others.length === 0) return undefined;
    return {
      text: 'It does three things: it makes the fruit safe to store, it lets the pectin set, and it lifts the taste. Fresh lemons vary, so only bottled juice counts for storage.',
      variants: variantsOf(asked, [
        [
          'Without it',
          edited(
            asked.document,
            acids.map(({ index }): Edit => ({ op: 'remove', line: index })).reverse(),
          ),
        ],
      ]),
    };
  },
};

const noCanner: UsualQuestion = {
  code: 'no-canner',
  question: 'I have no canner',
  answer: (asked) => ({
    text: 'Any deep pan with a rack and a lid is one, if water stands an inch (2.5 cm) over the jars and boils. Without processing the jars are refrigerated or frozen. Wax, turning jars over and the oven do not replace it.',
    variants: variantsOf(asked, [
      ['A steam canner', { ...asked.document, processing: 'steam' }],
      ['Filled hot, not processed', { ...asked.document, processing: 'hot-fill' }],
    ]),
  }),
};

const asGift: UsualQuestion = {
  code: 'gift',
  question: 'It is for a gift, or a fair',
  answer: ({ before: { balance, keeping } }) => ({
    text: [
      keeping.verdict === 'shelf'
        ? 'Processed as the table says it can stand on a shelf.'
        : 'It is not for the shelf: give it cold, and say on the label that it is to be refrigerated.',
      ...balance.standards.map(({ text, source }) => `${text} (${source}).`),
      'The label lists what is in it, egg, milk, nuts and sulphites above all. Selling food made at home is licensed work with rules of its own. Never give honey to an infant.',
    ].join(' '),
    variants: [],
  }),
};

/** A tablespoon of jam, g, as labels have it. */
const SERVING_G = 15;

/** Most of what is dissolved in a spread is carbohydrate: counted as all of it, g in a serving. */
export const carbohydrate_gPerServing = ({
  finish: { solubleSolidsPercent: solids },
}: Balance): { readonly low: number; readonly high: number } => ({
  low: (solids.low * SERVING_G) / 100,
  high: (solids.high * SERVING_G) / 100,
});

const countsCarbohydrate: UsualQuestion = {
  code: 'carbohydrate',
  question: 'For somebody who counts carbohydrate',
  answer: ({ before: { balance } }) => {
    const { low, high } = carbohydrate_gPerServing(balance);
    return {
      text: `About ${low.toFixed(0)} to ${high.toFixed(0)} g of carbohydrate in ${SERVING_G} g, a tablespoon: all that is dissolved is counted as sugar, so it is rather less. This is no medical advice; their clinician decides.`,
      variants: [],
    };
  },
};

const childrenHelp: UsualQuestion = {
  code: 'children',
  question: 'Children want to help',
  answer: ({ formula, before: { balance } }) => {
    const fruit_kg = fruitMass_kg(formula);
    const hot = balance.finish.temperature_C?.mid;
    return {
      text: [
        `Theirs: washing and sorting ${fruit_kg > 0 ? 'the fruit' : 'what goes in'}, measuring what is cold, counting jars, pushing the wrinkle on the cold plate, writing labels.`,
        `Not theirs: the stove, hot jars and the canner.${hot === undefined ? '' : ` At the end the pan is far hotter than boiling water, and sticks.`}`,
        'Clear the floor and keep children and pets out while the pan or jars are carried.',
      ].join(' '),
      variants: [],
    };
  },
};

/** In the order they are offered. */
export const USUAL_QUESTIONS: readonly UsualQuestion[] = [
  lessSugar,
  otherSweetener,
  otherFruit,
  frozenOrTinned,
  doubleIt,
  biggerJars,
  withoutLemon,
  noCanner,
  asGift,
  countsCarbohydrate,
  childrenHelp,
];

/**
 * The answer to a usual question, computed on a batch.
 *
 * @returns undefined where it does not arise, or the formula is not understood yet
 */
export function answerTo(
  code: string,
  document: FormulaDocument,
  options: QuestionOptions = {},
): Answer | undefined {
  const before = assess(document, options);
  const question = USUAL_QUESTIONS.find((each) => each.code === code);
  if (!before || !question) return undefined;
  const { formula } = readFormula(document, options.kitchen ?? {});
  return question.answer({ document, formula, before, options });
}
