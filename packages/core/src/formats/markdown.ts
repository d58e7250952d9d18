import type { Balance } from '../balance/index.js';
import type { Keeping } from '../keeping/index.js';
import { fahrenheit } from '../quantity/index.js';
import type { FormulaDocument } from '../formula/index.js';
import { statedFormula } from './stated-formula.js';
import { ingredientTexts } from './json-ld.js';

/** Characters that would be read as Markdown or HTML. */
/** Where to stop in both units, or that nobody can say. */
const stopText = (stop_C: number | undefined): string =>
  stop_C === undefined
    ? 'Where to stop needs an altitude'
    : `Stop near ${stop_C.toFixed(1)} °C (${fahrenheit(stop_C).toFixed(0)} °F)`;
const escaped = (text: string): string =>
  text.replace(/[\\`*_{}[\]<>#|]/g, '\\$&').replace(/\r?\n/g, ' ');

/** The formula as a Markdown card: what goes in, where to stop, what comes out, how it keeps. */
export function toMarkdown(
  document: FormulaDocument,
  made: Balance | null,
  keeping: Keeping | null,
): string {
  const lines = [
    `# ${escaped(document.title)}`,
    '',
    statedFormula(document),
    '',
    '## In the pan',
    '',
  ];
  lines.push(...ingredientTexts(document).map((text) => `- ${escaped(text)}`), '');
  if (made) {
    const { finish, jars } = made;
    lines.push(
      '## What will come out',
      '',
      `- ${stopText(finish.temperature_C?.mid)}, ${finish.solubleSolidsPercent.low.toFixed(0)} to ${finish.solubleSolidsPercent.high.toFixed(0)} % soluble solids`,
      ...jars.map(
        ({ size, count }) => `- ${count.low.toFixed(1)} to ${count.high.toFixed(1)} × ${size}`,
      ),
      '',
    );
  }
  if (keeping) {
    const { verdict, process, reasons, storage } = keeping;
    lines.push(
      '## Storage',
      '',
      process
        ? `- ${verdict}: ${process.minutes} min ${process.method}, ${process.band}; ${storage.text}`
        : `- ${verdict}: ${storage.text}`,
      ...reasons.slice(0, 2).map(({ text }) => `- ${escaped(text)}`),
      '- Not a tested recipe: your extension service or food authority has the last word.',
      '',
    );
  }
  if (document.steps && document.steps.length > 0)
    lines.push(
      '## Steps',
      '',
      ...document.steps.map((step, i) => `${i + 1}. ${escaped(step)}`),
      '',
    );
  if (document.notes !== undefined && document.notes !== '')
    lines.push('## Notes', '', escaped(document.notes), '');
  return lines.join('\n');
}
