/** Half a character, or the one character a database takes for the end of a text. */
const NOT_STORABLE = /\p{Surrogate}|\0/gu;

/** Half a character at the end: a field was full in the middle of it. */
const CUT_OFF = /\p{Surrogate}$/u;

/**
 * A text as it can be stored: half a character that was cut off is left out, and what else is no
 * character becomes the sign for one that was lost.
 */
export const storableText = (text: string): string =>
  text.replace(CUT_OFF, '').replace(NOT_STORABLE, '\uFFFD');

/** JSON of which every text can be stored. */
export const asJson = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'string' ? storableText(part) : part,
  );
