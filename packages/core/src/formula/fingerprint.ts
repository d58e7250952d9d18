import type { Claims } from './claims.js';
import type { Kind, Method } from './document.js';
import type { Finish, PotJar } from './pot-finish.js';
import type { PotLine } from './pot-line.js';
import type { CookStage } from './stages.js';

/** What of a pot a tested formula says. */
interface TestedPot {
  readonly kind: Kind;
  readonly method: Method;
  readonly lines: readonly PotLine[];
  readonly finish: Finish;
  readonly stages: readonly CookStage[];
  readonly jars: readonly PotJar[];
  readonly claims: Claims;
}

/** Grams told apart: what a kitchen scale shows. */
const MASS_DIGITS = 4;

/** A line as it is told apart, with what it was made of where it is a spread. */
const toldOfLine = ({
  label,
  ingredient,
  form,
  ripeness,
  goesIn,
  mass_kg,
  composition,
  byTable,
  madeOf,
}: PotLine): unknown => [
  ingredient.id,
  label,
  form,
  ripeness,
  goesIn,
  mass_kg.mid.toPrecision(MASS_DIGITS),
  composition === byTable ? 0 : composition,
  ...(madeOf ? [madeOf.map(toldOfLine)] : []),
];

/**
 * What a tested formula consists of, as one short text: kind, method, the pot as computed (what is in
 * it, in which form, how much, in which order), finish, jars and processing. Any change of them
 * changes it, wherever it is made, so an attestation that carries it is void. Title and notes are
 * free.
 */
export function fingerprint({
  kind,
  method,
  lines,
  finish,
  stages,
  jars,
  claims,
}: TestedPot): string {
  const told = JSON.stringify([
    kind,
    method,
    // Older attestations know of no stages: what has none keeps its fingerprint.
    ...(stages.length > 0 ? [stages, lines.map(({ stage }) => stage)] : []),
    lines.map(toldOfLine),
    finish,
    jars.map(({ size, headspace_mm }) => [size, headspace_mm.toFixed(1)]),
    claims.processing,
    claims.preSterilised,
  ]);
  // FNV-1a over both halves of the text: an honest slip is caught, it is no seal against forgery.
  let low = 0x811c9dc5;
  let high = 0x01000193;
  for (let i = 0; i < told.length; i++) {
    low = Math.imul(low ^ told.charCodeAt(i), 0x01000193) >>> 0;
    high = Math.imul(high ^ (told.charCodeAt(i) + i), 0x85ebca6b) >>> 0;
  }
  return low.toString(16).padStart(8, '0') + high.toString(16).padStart(8, '0');
}
