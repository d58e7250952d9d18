// Upkeep of what the product stands on: licences, deprecated packages, and what is out of date.
// Only a licence that asks for more than its text to be passed on, or none at all, is an error; the
// rest is told. With --outdated the registry is asked as well.
import { spawnSync } from 'node:child_process';
import { packages } from './licences.mjs';

/** Licences that ask for their text to be passed on, or for changes to the package to be open. */
const TAKEN = new Set([
  '0BSD',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'CC-BY-4.0',
  'CC0-1.0',
  'ISC',
  'LGPL-3.0-or-later',
  'MIT',
  'MIT-0',
  'MPL-2.0',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
  'Zlib',
]);

/** Whether an SPDX expression can be kept: of alternatives one, of what is joined all. */
export function isTaken(expression) {
  const plain = expression.replace(/^\((.*)\)$/, '$1');
  if (plain.includes(' OR ')) return plain.split(' OR ').some(isTaken);
  return plain.split(' AND ').every((each) => TAKEN.has(each.trim()));
}

/** What is wrong with the licences, a line each. */
export const licenceProblems = (all = packages()) =>
  all.flatMap(({ name, version, licence }) => {
    if (licence === undefined) return [`${name} ${version}: states no licence`];
    return isTaken(licence) ? [] : [`${name} ${version}: ${licence} is not on the list`];
  });

function report() {
  const all = packages();
  const counts = new Map();
  for (const { licence } of all) counts.set(licence, (counts.get(licence) ?? 0) + 1);
  console.log(`${all.length} packages: ${[...counts].map(([is, n]) => `${n} ${is}`).join(', ')}`);
  const deprecated = all.filter((each) => each.deprecated);
  for (const { name, version, deprecated: why } of deprecated)
    console.log(`deprecated: ${name} ${version}: ${why}`);
  if (deprecated.length === 0) console.log('none is deprecated');
  if (process.argv.includes('--outdated')) {
    const { stdout } = spawnSync('npm', ['outdated'], { encoding: 'utf8', timeout: 120_000 });
    console.log(stdout.trim() === '' ? 'none is out of date, or nobody answers' : stdout);
  }
  const wrong = licenceProblems(all);
  for (const line of wrong) console.error(line);
  process.exitCode = wrong.length === 0 ? 0 : 1;
}

if (process.argv[1] === new URL(import.meta.url).pathname) report();
