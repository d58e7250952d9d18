import { rescueOf } from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import { readOneFormula } from './document.js';
import type { Verb } from './verb.js';

export const rescueVerb: Verb = {
  help: `./kettle calc rescue FILE         how to remake a spread that did not set

FILE is the formula as it was made. Prints the likely causes and the published remakes, scaled to what there is.`,
  run(argv, readText) {
    const { words } = readArgs(argv, []);
    const { formula } = readOneFormula('rescue', words, readText);
    const rescue = rescueOf(formula);
    if (!rescue)
      throw new CalcError([
        `kind: a ${formula.kind} has no gel to remake; cook a butter on, and keep a thin curd or syrup as sauce`,
      ]);
    return { out: rescue };
  },
};
