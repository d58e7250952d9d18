/**
 * The beginning of a text, cut between two characters as a person sees them: an emoji or an accented
 * letter stays whole or is left out.
 *
 * @param most length as JavaScript counts it, UTF-16 units
 */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  // Made when it is wanted: hardly any text is too long.
  const characters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
  let end = 0;
  // What is further behind is of no interest.
  for (const { index, segment } of characters.segment(text.slice(0, most + LONGEST_CHARACTER))) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end);
}

/** UTF-16 units of the longest character: emoji sequences have up to 15, from memory; doubled. */
const LONGEST_CHARACTER = 30;
