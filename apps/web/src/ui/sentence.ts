/** A message of core as a sentence on screen: a capital first, and an end unless it has one. */
export const sentence = (message: string): string =>
  `${message.charAt(0).toUpperCase()}${message.slice(1)}${/[.?!]$/.test(message) ? '' : '.'}`;
