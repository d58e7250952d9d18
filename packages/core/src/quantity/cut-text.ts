const characters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/**
 * The beginning of a text, cut between two characters as a person sees them: an emoji or an accented
 * letter stays whole or is left out.
 *
 * @param most length as JavaScript counts it, UTF-16 units
 */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  // A character is never longer than this many units in practice; what is behind is of no interest.
  for (const { index, segment } of characters.segment(text.slice(0, most + LONGEST_CHARACTER))) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end);
}

/** The longest emoji sequences of Unicode 16 have 15 units; doubled for what may come. */
const LONGEST_CHARACTER = 30;
