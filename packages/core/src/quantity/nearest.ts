/**
 * Number of single-letter insertions, deletions, changes and swaps of neighbours between two words.
 */
function editDistance(a: string, b: string): number {
  const rows: number[][] = [Array.from({ length: b.length + 1 }, (_, j) => j)];
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min(
        (rows[i - 1]?.[j] ?? 0) + 1,
        (row[j - 1] ?? 0) + 1,
        (rows[i - 1]?.[j - 1] ?? 0) + same,
      );
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) {
        best = Math.min(best, (rows[i - 2]?.[j - 2] ?? 0) + 1);
      }
      row.push(best);
    }
    rows.push(row);
  }
  return rows[a.length]?.[b.length] ?? Infinity;
}

/**
 * The known words closest to one that was typed, best first, at most `most`. Words that share
 * neither a beginning nor most of their letters are left out, so that nonsense gets no suggestion.
 */
export function nearest(typed: string, known: readonly string[], most = 3): string[] {
  const word = typed.toLowerCase();
  return known
    .map((candidate) => {
      const starts = word.length >= 3 && candidate.startsWith(word);
      const contains = word.length >= 4 && candidate.includes(word);
      if (starts) return { candidate, distance: 0.5 };
      return { candidate, distance: contains ? 1.5 : editDistance(word, candidate) };
    })
    .filter(
      ({ candidate, distance }) =>
        distance <= Math.max(1, Math.min(word.length, candidate.length) * 0.4),
    )
    .sort(
      (a, b) =>
        a.distance - b.distance ||
        Math.abs(a.candidate.length - word.length) - Math.abs(b.candidate.length - word.length),
    )
    .slice(0, most)
    .map(({ candidate }) => candidate);
}
