import { formulaSchema } from '@idle-kettle/core';
import { balanceVerb } from './balance.js';
import { convertVerb } from './convert.js';
import { gelVerb } from './gel.js';
import { readVerb } from './read.js';
import { rescueVerb } from './rescue.js';
import { scaleVerb } from './scale.js';
import { simulateVerb } from './simulate.js';
import type { Verb } from './verb.js';

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
  read: readVerb,
  rescue: rescueVerb,
  simulate: simulateVerb,
  schema: schemaVerb,
};
