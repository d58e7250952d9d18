// Writes what the product is made with, and under which licences, beside the built web app.
import { mkdirSync, writeFileSync } from 'node:fs';
import { licenceText, packages } from './licences.mjs';

/** Packages with one text stand together: most of them have the same but for a name. */
const texts = new Map();
for (const { name, version, licence, folder, isShipped } of packages()) {
  if (!isShipped) continue;
  const text = licenceText(folder) ?? '';
  const group = texts.get(`${licence}\n${text}`) ?? { licence, text, packages: [] };
  group.packages.push(`${name} ${version}`);
  texts.set(`${licence}\n${text}`, group);
}
const folder = new URL('../apps/web/dist/', import.meta.url);
mkdirSync(folder, { recursive: true });
writeFileSync(new URL('notices.json', folder), JSON.stringify([...texts.values()]));
