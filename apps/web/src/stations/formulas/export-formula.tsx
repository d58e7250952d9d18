import { Download } from 'lucide-react';
import type { FormulaBody } from '@idle-kettle/contract';
import {
  computeFormula,
  jarWords,
  toJsonLd,
  toMarkdown,
  withoutPlace,
  type Computed,
} from '@idle-kettle/core';
import { fileName } from '../../ui/file-name.js';
import { usePreferences } from '../../ui/preferences.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { saveFile } from '../../ui/save-file.js';

/** The formula as a file: our own document, a schema.org Recipe, or a Markdown card. */
export function ExportFormula({ formula }: { readonly formula: FormulaBody }) {
  const { kitchen } = usePreferences();
  const name = fileName(formula.title);
  const made = (): Computed => computeFormula(withoutPlace(formula), kitchen);
  const asRecipe = (): string =>
    JSON.stringify(
      toJsonLd(
        formula,
        made()
          .balance?.jars.map(({ count, size }) => jarsOf(jarWords(count.mid), size))
          .join(' and '),
      ),
      null,
      2,
    );
  const asCard = (): string => {
    const { balance, keeping } = made();
    return toMarkdown(formula, balance, keeping);
  };
  const ways = [
    {
      words: 'Formula (JSON)',
      act: () =>
        saveFile(`${name}.kettle.json`, 'application/json', JSON.stringify(formula, null, 2)),
    },
    {
      words: 'Recipe (JSON-LD)',
      act: () => saveFile(`${name}.recipe.json`, 'application/ld+json', asRecipe()),
    },
    { words: 'Card (Markdown)', act: () => saveFile(`${name}.md`, 'text/markdown', asCard()) },
  ];
  return (
    <details className="relative">
      <summary className="btn btn-ghost list-none" aria-label={`Export ${formula.title}`}>
        <Download aria-hidden="true" className="size-5" /> Export
      </summary>
      <div className="absolute z-10 mt-1 flex w-48 flex-col gap-1 rounded-xl border border-line bg-base-100 p-2">
        {ways.map(({ words, act }) => (
          <button key={words} type="button" className="btn btn-ghost justify-start" onClick={act}>
            {words}
          </button>
        ))}
      </div>
    </details>
  );
}
