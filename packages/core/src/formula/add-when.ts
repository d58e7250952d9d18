import { isProduce, type Form, type Ingredient } from '../produce/index.js';
import type { Kind, Method, AddWhen } from './document.js';

const SOFT_FORMS: ReadonlySet<Form> = new Set(['juice', 'puree']);
/** When pectin goes in, where not before the sugar. */
const PECTIN_ADDED: Readonly<Partial<Record<Method, AddWhen>>> = {
  'liquid-pectin': 'after-sugar',
  'calcium-pectin': 'full-boil',
};
/** Flavours that boil away, and what must not boil. */
const LATE: ReadonlySet<string> = new Set(['vanilla', 'essential-oil', 'liqueur', 'nuts']);

/**
 * When an ingredient goes in, by the way to a set: powdered pectin before the sugar, liquid pectin
 * after it, calcium pectin in the sweetener at the boil; in a long boil sugar waits until skins are
 * soft, since it toughens them. Common practice.
 *
 * @param softening whether the pot holds fruit whose skin or flesh has to soften first
 */
export function usualAddWhen(
  kind: Kind,
  method: Method,
  { id, category }: Pick<Ingredient, 'id' | 'category'>,
  softening: boolean,
): AddWhen {
  if (LATE.has(id)) return id === 'nuts' ? 'near-end' : 'off-heat';
  if (kind === 'curd') return id === 'butter' ? 'near-end' : 'start';
  if (category === 'pectin') return PECTIN_ADDED[method] ?? 'before-sugar';
  if (category === 'sweetener') {
    if (method === 'liquid-pectin' || method === 'jam-sugar') return 'start';
    if (method === 'powdered-pectin' || method === 'calcium-pectin') return 'full-boil';
    if (kind === 'fruit-butter') return 'near-end';
    return softening ? 'skins-soft' : 'start';
  }
  if (kind === 'fruit-butter' && (id === 'ground-spice' || id === 'butter')) return 'near-end';
  return 'start';
}

/** Fruit of this form has skin or flesh to soften before the sugar. */
export const softens = (form: Form): boolean => !SOFT_FORMS.has(form);

/** Whether fruit in these lines is softened before the sugar goes in. */
export const softeningIn = (
  lines: readonly { readonly ingredient: Ingredient; readonly form: Form }[],
): boolean => lines.some(({ ingredient, form }) => isProduce(ingredient) && softens(form));
