/** A number with its noun: "1 jar", "3 jars". */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

/** With a capital, but for what is never written with one. */
export const capital = (text: string): string =>
  text.startsWith('pH') ? text : `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** A message of core as a sentence on screen: a capital first, and an end unless it has one. */
export const sentence = (message: string): string =>
  `${capital(message)}${/[.?!]$/.test(message) ? '' : '.'}`;
