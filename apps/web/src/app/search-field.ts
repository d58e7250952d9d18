/** How the field looks, before and after what finds things has been fetched. */
export const SEARCH_FIELD = {
  maxLength: 80,
  placeholder: 'Anything by name, or 8 cups blueberries in g',
  className: 'h-14 w-full border-b border-line bg-transparent px-4 text-lg outline-none',
} as const;

/** The cursor stands in a field, behind what is written there. */
export const writeOn = (field: HTMLInputElement | null): void => {
  field?.focus();
  field?.setSelectionRange(field.value.length, field.value.length);
};
