import { ingredientById } from '../produce/index.js';

/**
 * Id of the fruit the document names first, or undefined: what the batch is tinted and sorted by.
 */
export function firstFruit({
  lines,
}: {
  readonly lines: readonly { ingredient?: string }[];
}): string | undefined {
  return lines.find(({ ingredient }) => {
    const found = ingredientById(ingredient ?? '');
    return found && (found.category === 'fruit' || found.category === 'vegetable');
  })?.ingredient;
}
