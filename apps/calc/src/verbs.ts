import { formulaSchema } from '@idle-kettle/core';
import { balanceVerb } from './balance.js';
import { convertVerb } from './convert.js';
import type { ReadText } from './document.js';
import { gelVerb } from './gel.js';
import { rescueVerb } from './rescue.js';
import { scaleVerb } from './scale.js';
import { simulateVerb } from './simulate.js';

/** What a verb answers: an object is printed as JSON, text as it is. `notes` go to standard error. */
export interface Answer {
  readonly out: unknown;
  readonly notes?: readonly string[];
}

export interface Verb {
  readonly help: string;
  /** @param today the day it is run, as "2026-11-23" */
  readonly run: (argv: readonly string[], readText: ReadText, today: string) => Answer;
}

const schemaVerb: Verb = {
  help: `./kettle calc schema              JSON Schema of the formula document

The same as docs/formula.schema.json.`,
  run: () => ({ out: formulaSchema() }),
};

export const VERBS: Readonly<Record<string, Verb>> = {
  balance: balanceVerb,
  gel: gelVerb,
  scale: scaleVerb,
  convert: convertVerb,
  rescue: rescueVerb,
  simulate: simulateVerb,
  schema: schemaVerb,
};
