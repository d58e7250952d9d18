const GAP = /\S(\s{3,}|\t+)(?=\S)/;
/** Share of the lines that must have a second column before a page is taken for two. */
const LEAST_COLUMN_LINES = 3;
/** "sugar      4 cups": a table of names and amounts is one column. */
const ONLY_AN_AMOUNT = /^[\d¼-¾⅐-⅞./\s-]+(?:[a-z.]+\s*){0,2}$/i;
const DOTS = /\.{3,}|…/;

/**
 * The lines of a text in the order they are read. Of two columns side by side the left one comes
 * first. Empty lines are left out.
 */
export function textLines(text: string): string[] {
  const lines = text
    .replace(/[\u200b\ufeff]/g, '')
    .split(/\r\n|\r|\n/)
    .map((line) => line.replace(/\u00a0/g, ' ').trimEnd());
  const columns = columnStart(lines);
  const ordered = columns === undefined ? lines : inColumns(lines, columns);
  return ordered.map((line) => line.replace(/\s+/g, ' ').trim()).filter((line) => line !== '');
}

/** Where the second column begins, or undefined where there is none. */
function columnStart(lines: readonly string[]): number | undefined {
  const starts = lines.flatMap((line) => {
    const gap = GAP.exec(line.trimStart());
    if (!gap || DOTS.test(line)) return [];
    const indent = line.length - line.trimStart().length;
    const start = indent + gap.index + gap[0].length;
    return ONLY_AN_AMOUNT.test(line.slice(start)) ? [] : [start];
  });
  const counts = new Map<number, number>();
  for (const start of starts) counts.set(start, (counts.get(start) ?? 0) + 1);
  const [usual] = [...counts].toSorted((a, b) => b[1] - a[1]);
  return usual && usual[1] >= LEAST_COLUMN_LINES ? usual[0] : undefined;
}

function inColumns(lines: readonly string[], start: number): string[] {
  const left: string[] = [];
  const right: string[] = [];
  for (const line of lines) {
    const gap = GAP.exec(line.trimStart());
    const indent = line.length - line.trimStart().length;
    if (gap && !DOTS.test(line)) {
      const at = indent + gap.index + 1;
      left.push(line.slice(0, at));
      right.push(line.slice(at));
    } else if (indent >= start - 2) right.push(line);
    else left.push(line);
  }
  return [...left, ...right];
}
