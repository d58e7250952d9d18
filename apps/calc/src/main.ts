import { readFileSync } from 'node:fs';
import { run } from './run.js';

const { code, out, err } = run(process.argv.slice(2), (name) =>
  readFileSync(name === '-' ? 0 : name, 'utf8'),
);
if (out !== '') process.stdout.write(`${out}\n`);
if (err !== '') process.stderr.write(`${err}\n`);
process.exitCode = code;
