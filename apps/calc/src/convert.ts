import { convertAmount, figures } from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import type { Verb } from './verb.js';

export const convertVerb: Verb = {
  help: `./kettle calc convert "8 cups blueberry whole" --to "g"     an amount of an ingredient in another unit

  --to g     a unit of weight, volume, or "each"`,
  run(argv) {
    const { words, options } = readArgs(argv, ['to']);
    const text = words.join(' ');
    if (text === '' || options.to === undefined)
      throw new CalcError([
        'calc convert needs an amount and --to, such as: calc convert "8 cups blueberry whole" --to g',
      ]);
    const read = convertAmount(text, options.to);
    if (!read.ok)
      throw new CalcError([read.wrong === 'unit' ? `--to: ${read.message}` : read.message]);
    const { ingredient, form, unit, value, cup_g } = read.conversion;
    return {
      out: {
        ingredient: ingredient.id,
        form,
        unit: unit.id,
        value,
        text: `${figures(value.mid, 3)} ${unit.kind === 'piece' ? 'each' : unit.name[1]}`,
        cup_g: cup_g ?? null,
      },
    };
  },
};
