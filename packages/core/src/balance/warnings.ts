import type { Range } from '../range/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import {
  softeningIn,
  STAGES,
  usualStage,
  type PotFormula,
  type PotLine,
  type Warning,
} from '../formula/index.js';
import type { PreparedPot } from './prepare.js';
import { HALF_PINT_ML } from '../jars/index.js';
import { inHalfPints } from './bracket.js';
import type { FinishRule } from './finish.js';

/** What is odd about a pot: past its finish, schools mixed, grains or weeping to come. */
export function potWarnings(pot: PreparedPot, rule: FinishRule): Warning[] {
  return [
    ...pastFinish(pot, rule),
    ...schools(pot),
    ...order(pot),
    ...panTooSmall(pot),
    ...inTheJar(pot),
  ];
}

function pastFinish({ formula, contents }: PreparedPot, rule: FinishRule): Warning[] {
  const { mass, soluble, insoluble } = contents;
  if (rule.type === 'hard-boil' || rule.type === 'curd') return [];
  if (rule.type === 'weight') {
    const wanted = rule.value.mid;
    if (wanted < soluble + insoluble)
      return [
        {
          code: 'finish-below-solids',
          text: `the pot cannot be boiled to ${wanted.toFixed(2)} kg: ${(soluble + insoluble).toFixed(2)} kg of it is not water`,
        },
      ];
    return wanted < mass
      ? []
      : [
          {
            code: 'already-past-finish',
            text: `${mass.toFixed(2)} kg goes in, less than the ${wanted.toFixed(2)} kg wanted at the finish; nothing would boil off`,
          },
        ];
  }
  const finish =
    rule.type === 'gel-temperature'
      ? (rule.gel?.solidsAt(rule.value.mid, 0.3, 0.5) ?? 0.65)
      : rule.value.mid;
  const now = soluble / Math.max(mass - insoluble, 1e-9);
  if (now < finish) return [];
  return [
    {
      code: 'already-past-finish',
      text: `the pot holds ${(now * 100).toFixed(0)} % soluble solids before it boils, past the ${(finish * 100).toFixed(0)} % of the finish; take out ${formula.lines.some((l) => l.ingredient.category === 'sweetener') ? 'sugar' : 'what sweetens it'}, or add fruit or water`,
    },
  ];
}

/** Kilograms of one box of powder and one pouch of liquid, and what one sets. Common practice. */
const ONE_BOX_KG = 0.057;
const ONE_POUCH_KG = 0.089;

function schools({ formula, contents, outcome }: PreparedPot): Warning[] {
  const warnings: Warning[] = [];
  const { method } = formula;
  const mass = (id: string): number =>
    formula.lines.reduce(
      (sum, line) => sum + (line.ingredient.id === id ? line.mass_kg.mid : 0),
      0,
    );
  const high =
    contents.highMethoxyl > 0 && (method === 'powdered-pectin' || method === 'liquid-pectin');
  if (high && outcome.solids < 58)
    warnings.push({
      code: 'sugar-cut',
      text: `${outcome.solids.toFixed(0)} % solids at the finish: this pectin needs its full sugar to set; use the low-sugar or calcium kind to cut it`,
    });
  if (
    (method === 'powdered-pectin' && mass('pectin-powder') > ONE_BOX_KG * 1.15) ||
    (method === 'liquid-pectin' && mass('pectin-liquid') > ONE_POUCH_KG * 2.15)
  )
    warnings.push({
      code: 'batch-doubled',
      text: 'more than one measure of pectin at once: a doubled batch heats unevenly and often does not set; cook it in two',
    });
  if (method === 'long-boil' && contents.highMethoxyl + contents.lowMethoxyl > 0)
    warnings.push({
      code: 'pectin-in-long-boil',
      text: 'added pectin loses its strength in a long boil; computed as written',
    });
  if (method === 'calcium-pectin' && contents.lowMethoxyl <= 0)
    warnings.push({
      code: 'no-calcium-pectin',
      text: 'the method sets by calcium pectin, but none is in the pot',
    });
  if (
    method === 'jam-sugar' &&
    !formula.lines.some((line) => line.ingredient.id.startsWith('jam-sugar'))
  )
    warnings.push({
      code: 'no-jam-sugar',
      text: 'the method uses sugar with pectin in it, but none is in the pot',
    });
  if (
    formula.lines.some((line) => line.ingredient.id === 'sucralose') &&
    contents.highMethoxyl > 0 &&
    contents.lowMethoxyl <= 0
  )
    warnings.push({
      code: 'sweet-without-solids',
      text: 'sucralose adds sweetness but no solids: only calcium pectin sets with it',
    });
  return warnings;
}

/**
 * Sweetener by which powdered pectin may be mixed before it goes in, kg: a quarter cup. Common
 * practice.
 */
const MIXING_SUGAR_KG = 0.06;

/** What the maker puts in at another time than the way to a set asks for. */
function order({ formula }: PreparedPot): Warning[] {
  const { kind, method, lines } = formula;
  if (lines.every((line) => line.goesIn === undefined)) return [];
  const softening = softeningIn(lines);
  const at = ({ ingredient, goesIn }: PotLine): number =>
    STAGES.indexOf(goesIn ?? usualStage(kind, method, ingredient, softening));
  const sugar = lines.filter(
    ({ ingredient, mass_kg }) =>
      ingredient.category === 'sweetener' && mass_kg.mid > MIXING_SUGAR_KG,
  );
  const pectin = lines.filter(({ ingredient }) => ingredient.category === 'pectin');
  const earlySugar = (before: number): boolean => sugar.some((line) => at(line) < before);
  if (
    method === 'powdered-pectin' &&
    pectin.some((line) => earlySugar(at(line)) || sugar.some((s) => at(s) === at(line)))
  )
    return [
      {
        code: 'sugar-before-pectin',
        text: 'the sugar goes in before the powdered pectin: it then takes the water and the pectin stays in lumps. Pectin first, full rolling boil, then all the sugar at once',
      },
    ];
  if (method === 'liquid-pectin' && pectin.some((line) => !earlySugar(at(line))))
    return [
      {
        code: 'liquid-pectin-first',
        text: 'liquid pectin goes in last, when fruit and sugar are at a full rolling boil; boiled with the fruit it loses its strength',
      },
    ];
  if (method === 'long-boil' && softening && earlySugar(STAGES.indexOf('skins-soft')))
    return [
      {
        code: 'sugar-before-soft',
        text: 'sugar toughens skins that are not soft yet: simmer the fruit first, then the sugar',
      },
    ];
  return [];
}

/** The usual pan must hold three times the pot at least. Common practice. */
function panTooSmall({ formula, contents }: PreparedPot): Warning[] {
  const capacity_l = formula.pan?.capacity_l;
  if (capacity_l === undefined || formula.kind === 'curd' || formula.kind === 'fruit-butter')
    return [];
  const litres =
    (contents.mass / syrupDensity_kgPerM3(Math.min(contents.soluble / contents.mass, 0.8), 80)) *
    1000;
  if (litres * 3 <= capacity_l) return [];
  return [
    {
      code: 'pan-too-small',
      text: `${litres.toFixed(1)} l in a ${capacity_l.toFixed(1)} l pan: foam rises three to four times and boils over. Fill it to a third at most: a larger pan, or ${Math.ceil((litres * 3) / capacity_l)} batches`,
    },
  ];
}

/**
 * Sucrose that stays dissolved in a cool cupboard, share of sucrose and water at 20 C. Sugar
 * technology, from memory.
 */
const SOLUBLE_SUCROSE = 0.666;

function inTheJar({ formula, contents, outcome, rules }: PreparedPot): Warning[] {
  const warnings: Warning[] = [];
  if (formula.kind === 'curd') return warnings;
  const water = Math.max(outcome.finished - contents.soluble - contents.insoluble, 1e-9);
  const sucrose = contents.soluble * (1 - outcome.invertShare);
  const dissolved = sucrose / (sucrose + water);
  if (dissolved > SOLUBLE_SUCROSE + 0.02 || (outcome.solids > 68 && outcome.inversion < 0.15))
    warnings.push({
      code: 'may-crystallise',
      text: `${outcome.solids.toFixed(0)} % solids with ${(outcome.inversion * 100).toFixed(0)} % of the sugar inverted: grains may form in the jar; a little more acid or stopping sooner helps`,
    });
  if (
    rules.model === 'high-methoxyl' &&
    outcome.firmness > 0.8 &&
    (outcome.pH < 2.75 || (outcome.inversion > 0.6 && outcome.firmness > 1.4))
  )
    warnings.push({
      code: 'may-weep',
      text: `pH ${outcome.pH.toFixed(1)} and a firm set: the gel may weep in the jar`,
    });
  return warnings;
}

/**
 * Two amounts of one line count as the same within this share: cups are not scales. Common
 * practice.
 */
const SAME_AMOUNT = 0.12;

/** What a recipe claims against what can be. */
export function auditWarnings(
  formula: PotFormula,
  bracket: { readonly least: number; readonly most: number },
  result: {
    readonly solubleSolids_kg: Range;
    readonly massIn_kg: Range;
    readonly jars: readonly { readonly count: Range }[];
    readonly finish: { readonly volume_ml: Range };
  },
): Warning[] {
  const warnings: Warning[] = [];
  const { statedYield } = formula.claims;
  if (statedYield) {
    const claimed = inHalfPints(statedYield.count, statedYield.jar);
    const size = statedYield.jar.name[1];
    const each = claimed / statedYield.count;
    const say = (halfPints: number): string => (halfPints / each).toFixed(1);
    if (claimed < bracket.least)
      warnings.push({
        code: 'stated-yield-impossible',
        text: `the recipe says ${statedYield.count} ${size}; the ${result.solubleSolids_kg.mid.toFixed(2)} kg of sugar and fruit solids in it fill ${say(bracket.least)} even when boiled to toffee (72 %)`,
      });
    else if (claimed > bracket.most)
      warnings.push({
        code: 'stated-yield-impossible',
        text: `the recipe says ${statedYield.count} ${size}; all ${result.massIn_kg.mid.toFixed(2)} kg that goes in would fill ${say(bracket.most)} with nothing boiled away`,
      });
    else {
      const low = (result.finish.volume_ml.low / HALF_PINT_ML) * 0.95;
      const high = result.finish.volume_ml.high / HALF_PINT_ML;
      if (claimed < low * 0.9 || claimed > high * 1.1)
        warnings.push({
          code: 'stated-yield-unlikely',
          text: `the recipe says ${statedYield.count} ${size}; ${say(low)} to ${say(high)} is likely`,
        });
    }
  }
  for (const line of formula.lines) {
    const also = line.alsoStated_kg;
    if (!also) continue;
    if (
      also.low > line.mass_kg.high * (1 + SAME_AMOUNT) ||
      also.high < line.mass_kg.low * (1 - SAME_AMOUNT)
    )
      warnings.push({
        code: 'stated-amounts-disagree',
        text: `${line.amount.value} ${line.amount.unit.name[1]} of ${line.label} is ${line.mass_kg.mid.toFixed(2)} kg, but the other amount given is ${also.mid.toFixed(2)} kg; weigh it`,
      });
  }
  return warnings;
}
