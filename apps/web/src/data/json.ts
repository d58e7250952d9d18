/** Half a character, or the one character a database takes for the end of a text. */
const NOT_STORABLE = /\p{Surrogate}|\0/gu;

/** A text as it can be stored: what is no character becomes the sign for one that was lost. */
export const storableText = (text: string): string => text.replace(NOT_STORABLE, '\uFFFD');

/** JSON of which every text can be stored. */
export const asJson = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'string' ? storableText(part) : part,
  );
