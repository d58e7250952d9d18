import {
  FIRMNESS_BANDS,
  firmnessSaid,
  PECTIN_PH,
  wantedSolids,
  worthMeasuring,
  type Balance,
  type Keeping,
  type PotFormula,
} from '@idle-kettle/core';
import type { Explanation } from '../ui/range-bar.js';
import type { Formats } from '../ui/preferences.js';
import { sentence } from '../ui/sentence.js';
import { shareWords } from '../ui/share-words.js';

/** The readouts of the panel that are explained in place. */
export type Readout = 'firmness' | 'acidity' | 'concentration' | 'yield' | 'storage';

/** What an explanation is made of. */
interface Explained {
  readonly balance: Balance;
  readonly formula: PotFormula;
  readonly keeping: Keeping;
  readonly formats: Formats;
}

/** The one measurement that would narrow a figure most; undefined where none would. */
function measure(of: 'set' | 'pH' | 'yield', { formula, balance }: Explained): string | undefined {
  const found = worthMeasuring(formula, balance).find((each) => each.of === of);
  return found && `${sentence(found.text)} It narrows this by ${shareWords(found.narrows)}.`;
}

const firmness = (of: Explained): Explanation => {
  const { set } = of.balance;
  const said = (word: Parameters<typeof firmnessSaid>[0]): string => firmnessSaid(word, set.model);
  return {
    means: 'How stiff it is once it has cooled, a day or two after filling.',
    marks: [
      { at: 0, words: said('none') },
      { at: FIRMNESS_BANDS.soft, words: said('good') },
      { at: FIRMNESS_BANDS.good, words: said('firm') },
    ],
    workedOut:
      set.model === 'high-methoxyl'
        ? 'From the pectin that is left after boiling, the pH and the concentration at the finish.'
        : 'From what makes it thick: its pulp, its eggs or its calcium pectin, at the finish.',
    source: 'Grades of pectin after IFT method 5-54; trade texts, from memory.',
    change:
      measure('set', of) ?? 'The pectin of the fruit is the widest of what is not known: test it.',
    terms: ['firmness', 'pectin', 'cold-plate-test'],
  };
};

const acidity = (of: Explained): Explanation => ({
  means:
    'How sharp it tastes, from how much acid there is; and whether its pH lets pectin set. The pH of the storage is another, the highest likely.',
  marks: PECTIN_PH.map((at) => ({ at, words: at.toFixed(1) })),
  workedOut:
    'From the acids of every line and how strongly the fruit holds its pH, by charge balance.',
  source: 'Dissociation constants of the CRC Handbook; food tables for fruit.',
  change:
    measure('pH', of) ??
    'A spoonful of bottled lemon juice lowers the pH; more fruit or water raises it.',
  terms: ['acidity', 'ph', 'titratable-acidity'],
});

const concentration = ({ formula, balance, formats }: Explained): Explanation => {
  const finish_C = balance.finish.temperature_C?.mid;
  return {
    means: 'Sugar and everything else dissolved, in 100 g at the finish.',
    marks: wantedSolids(formula.kind, formula.method).map((at) => ({ at, words: String(at) })),
    workedOut:
      finish_C === undefined
        ? 'From what goes in and the water that is boiled off.'
        : `From where it stops: at ${formats.temperature(finish_C)} here, so much is dissolved in the water that is left.`,
    source: 'Boiling-point elevation after Norrish 1966 and Starzak and Peacock 1997.',
    change: 'Stopping a degree later adds two or three degrees Brix.',
    terms: ['brix', 'soluble-solids', 'setting-point'],
  };
};

const yieldOf = (of: Explained): Explanation => ({
  means: 'Jars filled to their headspace; 9 times in 10 between the two figures.',
  marks: [],
  workedOut:
    'What goes in, less the water boiled off, the foam skimmed and what stays in the pan; divided by what a jar holds.',
  source: 'Mass balance; densities after ICUMSA.',
  change: measure('yield', of) ?? 'Weigh what goes in, and measure what your jars hold.',
  terms: ['yield', 'water-loss', 'headspace'],
});

const storage = ({ keeping }: Explained): Explanation => ({
  means:
    'Where the jars belong. It goes by the highest likely pH, not by the middle, and by the minutes of the published table at your altitude.',
  marks:
    keeping.limitPH === null
      ? []
      : [{ at: keeping.limitPH, words: `limit ${keeping.limitPH.toFixed(1)}` }],
  workedOut:
    'By rules in order: the first that refuses decides, and no estimate can make it kinder.',
  source:
    'USDA Complete Guide to Home Canning, the US National Center for Home Food Preservation and 21 CFR 114, from memory until checked.',
  change:
    'Bottled lemon juice lowers the highest likely pH. A pH measured in the finished batch counts too.',
  terms: ['storage', 'highest-likely-ph', 'processing'],
});

const EXPLAIN: Readonly<Record<Readout, (of: Explained) => Explanation>> = {
  firmness,
  acidity,
  concentration,
  yield: yieldOf,
  storage,
};

/** What a readout means, its scale, how it was worked out, from which source, and what changes it. */
export const explanationOf = (readout: Readout, of: Explained): Explanation => EXPLAIN[readout](of);
