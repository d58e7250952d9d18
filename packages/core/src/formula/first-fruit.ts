import { ingredientById } from '../produce/index.js';

/** A line as far as its ingredient goes, or those of a spread that is cooked again. */
interface Named {
  readonly ingredient?: string;
  readonly madeOf?: { readonly lines: readonly { readonly ingredient?: string }[] };
}

/**
 * Id of the fruit the document names first, or undefined: what the batch is tinted and sorted by.
 */
export function firstFruit({ lines }: { readonly lines: readonly Named[] }): string | undefined {
  const named = lines.flatMap((line) => [line, ...(line.madeOf?.lines ?? [])]);
  return named.find(({ ingredient }) => {
    const found = ingredientById(ingredient ?? '');
    return found && (found.category === 'fruit' || found.category === 'vegetable');
  })?.ingredient;
}
