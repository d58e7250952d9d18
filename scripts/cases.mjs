// Runs case files that are not part of the project: lines.json (lines with the ingredient and the
// grams they mean) and recipes.json (whole recipes), as `npm run cases -- FOLDER`.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  claimsOf,
  foundRecipe,
  importFormula,
  isUnderstood,
  readFormula,
  readLine,
  yieldOf,
} from '@idle-kettle/core';

const folder = process.argv[2];
if (folder === undefined) {
  console.error('npm run cases -- FOLDER: a folder with lines.json, recipes.json or both');
  process.exit(2);
}
const read = (name) =>
  existsSync(join(folder, name)) ? JSON.parse(readFileSync(join(folder, name), 'utf8')) : [];

/** The same line by the three ways it can come in. */
const ROUTES = {
  typed: (line) => readLine(line),
  paste: (line) => ingredientIn(`A recipe\n\nIngredients\n${line}`),
  import: (line) =>
    ingredientIn(JSON.stringify({ '@type': 'Recipe', name: 'A recipe', recipeIngredient: [line] })),
};

function ingredientIn(text) {
  const found = foundRecipe(text);
  return found.ok
    ? found.recipe.lines.find(({ role }) => role === 'ingredient')?.reading
    : undefined;
}

function judge({ ingredient, grams, tol }, reading) {
  if (!reading) return { understood: false, right: false, near: false };
  const { parts, named } = reading;
  const id = parts[0]?.ingredient.id ?? named?.ingredient.id;
  const mass = parts.reduce((sum, { mass_kg }) => sum + (mass_kg?.mid ?? NaN) * 1000, 0);
  return {
    understood: isUnderstood(reading),
    right: ingredient.split('|').includes(id),
    near: grams === null || Math.abs(mass - grams) <= tol * grams,
  };
}

const share = (count, of) => `${((100 * count) / Math.max(of, 1)).toFixed(1)} %`;

const lines = read('lines.json');
for (const [name, route] of Object.entries(ROUTES)) {
  if (lines.length === 0) break;
  const judged = lines.map((line) => ({ line, ...judge(line, route(line.line)) }));
  const count = (test) => judged.filter(test).length;
  const silent = judged.filter((each) => each.understood && !(each.right && each.near));
  console.log(
    `${name.padEnd(7)} ${lines.length} lines: understood ${share(
      count((each) => each.understood),
      lines.length,
    )}, right ${share(
      count((each) => each.right),
      lines.length,
    )}, within tolerance ${share(
      count((each) => each.near),
      lines.length,
    )}, silently wrong ${share(silent.length, lines.length)}`,
  );
  for (const { line } of judged.filter((each) => !(each.understood && each.right && each.near)))
    console.log(`        ${line.line}  (${line.ingredient}, ${line.grams} g)`);
}

for (const { name, text, kind, method, ingredients, yield: made } of read('recipes.json')) {
  const found = foundRecipe(text);
  if (!found.ok) {
    console.log(`recipe ${name}: ${found.message}`);
    continue;
  }
  const claims = claimsOf(found.recipe);
  const foods = found.recipe.lines
    .filter(({ role }) => role === 'ingredient')
    .flatMap(({ reading }) => [
      ...reading.parts.map((part) => part.ingredient.id),
      ...(reading.parts.length === 0 ? [reading.named?.ingredient.id ?? '?'] : []),
    ]);
  const missing = ingredients.filter((ids) => !ids.split('|').some((id) => foods.includes(id)));
  const imported = importFormula(text);
  const problems = imported.ok ? readFormula(imported.document).problems.length : 0;
  const verdicts = [
    (kind ?? '').split('|').includes(claims.kind ?? '') || `kind ${claims.kind}, not ${kind}`,
    (method ?? '') === (claims.method ?? '') || `method ${claims.method}, not ${method}`,
    made === null ||
      yieldOf(found.recipe)?.text === made ||
      `yield ${yieldOf(found.recipe)?.text}, not ${made}`,
    missing.length === 0 || `missing ${missing.join(', ')}`,
  ].filter((verdict) => verdict !== true);
  console.log(
    `recipe ${name}: ${verdicts.length === 0 ? 'all right' : verdicts.join('; ')} (${problems} open)`,
  );
}
