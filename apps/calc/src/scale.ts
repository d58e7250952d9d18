import { parseAmount, readJarCount, scaleFormula, type ScaleTarget } from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import { readOneFormula } from './document.js';
import type { Verb } from './verb.js';

function targetOf(options: Readonly<Record<string, string>>): ScaleTarget {
  const given = ['jars', 'line', 'pot', 'by'].filter((name) => options[name] !== undefined);
  if (given.length !== 1)
    throw new CalcError([
      'calc scale needs one of --jars "12 half-pint", --line 0 --to "3.1 kg", --pot "8 l" or --by 2',
    ]);
  if (options.jars !== undefined) {
    const wanted = readJarCount(options.jars);
    if (!wanted)
      throw new CalcError([
        `--jars: "${options.jars}": write a count and a jar size, such as "12 half-pint"`,
      ]);
    return { by: 'jars', ...wanted };
  }
  if (options.line !== undefined) {
    const line = Number(options.line);
    if (!Number.isInteger(line) || line < 0)
      throw new CalcError([`--line: "${options.line}": write the position of a line, from 0`]);
    if (options.to === undefined)
      throw new CalcError(['--line: needs --to, such as --to "3.1 kg"']);
    return { by: 'line', line, to: options.to };
  }
  if (options.pot !== undefined) {
    const pot = parseAmount(options.pot);
    if (!pot.ok) throw new CalcError([`--pot: ${pot.message}`]);
    if (pot.amount.unit.kind !== 'volume')
      throw new CalcError([`--pot: "${options.pot}": write the size of the pot, such as "8 l"`]);
    return { by: 'pot', pot_l: (pot.amount.value * pot.amount.unit.si) / 1000 };
  }
  const factor = Number(options.by);
  if (!(factor > 0))
    throw new CalcError([`--by: "${options.by}": write how many times, such as 2`]);
  return { by: 'factor', factor };
}

export const scaleVerb: Verb = {
  help: `./kettle calc scale FILE --jars "12 half-pint"     the same formula, larger or smaller

  --jars "12 half-pint"        to fill so many jars
  --line 0 --to "3.1 kg"       to use so much of that line
  --pot "8 l"                  the largest batch that pot takes, filled to a third
  --by 2                       so many times

Prints the scaled document; what to mind goes to standard error.`,
  run(argv, readText) {
    const { words, options } = readArgs(argv, ['jars', 'line', 'to', 'pot', 'by']);
    const { document } = readOneFormula('scale', words, readText);
    const result = scaleFormula(document, targetOf(options));
    if (!result.ok)
      throw new CalcError([
        result.path === '' ? result.message : `${result.path}: ${result.message}`,
      ]);
    return { out: result.document, notes: result.notes };
  },
};
