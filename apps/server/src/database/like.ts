/**
 * What is typed as a pattern that finds it anywhere, as it stands: its own per cents and
 * underscores are letters.
 */
export const likeOf = (typed: string): string => `%${typed.replace(/[\\%_]/g, '\\$&')}%`;
