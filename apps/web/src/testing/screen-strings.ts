import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** A text of the source that a person may read. */
export interface ScreenString {
  readonly file: string;
  /** From 1 on. */
  readonly line: number;
  readonly text: string;
}

const isSource = (name: string): boolean =>
  /\.tsx?$/.test(name) && !/\.(?:test|table|d)\.tsx?$/.test(name);

/** Ids, paths and class names have no space, or stand where no person reads. */
const isRead = (text: string): boolean => /[A-Za-z]/.test(text) && /\s|^[A-Z]/.test(text);

const NOT_READ = new Set(['className', 'd', 'viewBox', 'style', 'transform']);

function isOfAttribute(node: ts.Node): boolean {
  for (let at = node.parent; at; at = at.parent)
    if (ts.isJsxAttribute(at)) return NOT_READ.has(at.name.getText());
  return false;
}

/** Every text of a file that a person may read: literals, parts of templates, and text in JSX. */
export function stringsOf(file: string, source: string): readonly ScreenString[] {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  const found: ScreenString[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    const isText =
      ts.isStringLiteral(node) ||
      ts.isJsxText(node) ||
      ts.isNoSubstitutionTemplateLiteral(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node);
    if (isText && isRead(node.text) && !isOfAttribute(node)) {
      const { line } = tree.getLineAndCharacterOfPosition(node.getStart());
      found.push({ file, line: line + 1, text: node.text.replace(/\s+/g, ' ').trim() });
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

/** The same of every source below a folder, tests and tables of data apart. */
export const stringsBelow = (folder: string): readonly ScreenString[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => isSource(name) && !/(?:^|\/)testing\//.test(name))
    .flatMap((name) => {
      const path = join(folder, name);
      return stringsOf(name, readFileSync(path, 'utf8'));
    });
