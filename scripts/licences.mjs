// What the packages of the lock file are licensed under: read from the disk, nobody is asked.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = new URL('..', import.meta.url).pathname;

const readJson = (file) => JSON.parse(readFileSync(file, 'utf8'));

/** The licence a package states itself, where the lock file has none. */
function statedBy(folder) {
  const file = join(folder, 'package.json');
  if (!existsSync(file)) return undefined;
  const { license, licenses } = readJson(file);
  if (typeof license === 'string') return license;
  if (typeof license?.type === 'string') return license.type;
  if (Array.isArray(licenses)) return licenses.map(({ type }) => type).join(' OR ');
  // Some have nothing but the text itself.
  const text = licenceText(folder) ?? '';
  return /Permission is hereby granted, free of charge/.test(text) ? 'MIT' : undefined;
}

/** The text of a package's licence; undefined where it ships none. */
export function licenceText(folder) {
  if (!existsSync(folder)) return undefined;
  const name = readdirSync(folder).find((each) => /^(licen[cs]e|copying)([.-]|$)/i.test(each));
  return name === undefined ? undefined : readFileSync(join(folder, name), 'utf8').trim();
}

/**
 * Every package of the lock file, ours left out.
 *
 * @returns { name, version, licence, folder, isShipped, deprecated }, by name
 */
export function packages() {
  const { packages: locked } = readJson(join(ROOT, 'package-lock.json'));
  return Object.entries(locked)
    .filter(([path, { link }]) => path.includes('node_modules/') && !link)
    .map(([path, { version, license, dev = false, optional = false, deprecated }]) => ({
      name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version,
      folder: join(ROOT, path),
      licence: license ?? statedBy(join(ROOT, path)),
      isShipped: !dev,
      isOptional: optional,
      deprecated,
    }))
    .sort((a, b) => a.name.localeCompare(b.name) || a.version.localeCompare(b.version));
}
