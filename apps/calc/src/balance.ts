import { assessKeeping, balance, remedies, worthMeasuring } from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import { readOneFormula } from './document.js';
import type { Verb } from './verb.js';

export const balanceVerb: Verb = {
  help: `./kettle calc balance FILE        what a formula will give ("-" reads standard input)

Prints one JSON object. Estimates are { "low", "mid", "high" }: the middle and the 5th and 95th percentile.
A document that cannot be computed: exit 2 and one line a problem, each naming its place in the document.

  --on 2026-11-23   the day the batch is made (today unless given); a measured pH must be of it`,
  run(argv, readText, today) {
    const { words, options } = readArgs(argv, ['on']);
    const { document, formula } = readOneFormula('balance', words, readText);
    const on = options.on ?? today;
    if (!/^\d{4}-\d{2}-\d{2}$/.test(on))
      throw new CalcError([`--on: "${on}" is not a day; write one such as "2026-11-23"`]);
    const made = balance(formula);
    if (!made) throw new CalcError(['lines: nothing is in the pot; add a fruit and its amount']);
    const { verdict, reasons, process, safestProcess, worstPH, limitPH, storage } = assessKeeping(
      formula,
      { on },
      made,
    );
    const { influences: _, ...result } = made;
    return {
      out: {
        ...result,
        keeping: { verdict, reasons, worstPH, limitPH, storage },
        process,
        safestProcess,
        suggestions: remedies(document, { on }).map(({ code, text, effect, change }) => ({
          code,
          text: effect === '' ? text : `${text}: ${effect}`,
          change,
        })),
        matters: worthMeasuring(formula, made),
      },
    };
  },
};
