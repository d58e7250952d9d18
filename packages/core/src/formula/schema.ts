import { KINDS, METHODS_OF_KIND } from './document.js';
import { FORMULA_FIELDS, type Field, type Part } from './fields.js';

type JsonSchema = Record<string, unknown>;

/** Parts of a document that the schema defines once, by name. */
const DEFINED: ReadonlySet<Part> = new Set<Part>(['line', 'finish']);

function numberSchema({ least, most, above, whole }: Field & { type: 'number' }): JsonSchema {
  return {
    type: whole ? 'integer' : 'number',
    [above ? 'exclusiveMinimum' : 'minimum']: least,
    maximum: most,
  };
}

const refOrObject = (part: Part): JsonSchema =>
  DEFINED.has(part) ? { $ref: `#/$defs/${part}` } : objectSchema(part);

function fieldSchema(field: Field): JsonSchema {
  switch (field.type) {
    case 'text':
      return { type: 'string', maxLength: field.most };
    case 'number':
      return numberSchema(field);
    case 'choice':
      return { enum: [...field.of] };
    case 'yes-no':
      return { type: 'boolean' };
    case 'day':
      return { type: 'string', format: 'date' };
    case 'constant':
      return { const: field.value };
    case 'object':
      return refOrObject(field.of);
    case 'list':
      return {
        type: 'array',
        ...(field.required && { minItems: 1 }),
        maxItems: field.most,
        items: refOrObject(field.of),
      };
    case 'texts':
      return {
        type: 'array',
        maxItems: field.most,
        items: { type: 'string', maxLength: field.mostEach },
      };
    case 'amount':
      return {
        oneOf: [
          { type: 'string', maxLength: field.most },
          {
            type: 'object',
            required: ['value', 'unit'],
            properties: {
              value: { type: 'number', exclusiveMinimum: 0 },
              unit: { type: 'string' },
            },
          },
        ],
      };
  }
}

function objectSchema(part: Part): JsonSchema {
  const fields = Object.entries<Field>(FORMULA_FIELDS[part]);
  const required = fields.filter(([, field]) => field.required).map(([name]) => name);
  return {
    type: 'object',
    ...(required.length > 0 && { required }),
    properties: Object.fromEntries(
      fields.map(([name, field]) => [
        name,
        {
          ...fieldSchema(field),
          ...(field.description !== undefined && { description: field.description }),
        },
      ]),
    ),
  };
}

/**
 * JSON Schema (2020-12) of the formula document, printed from {@link FORMULA_FIELDS}.
 * `docs/formula.schema.json` is its print; a test keeps the two the same. Ingredients are not
 * listed: spellings and synonyms are read too, see `readFormula`.
 */
export function formulaSchema(): JsonSchema {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'idle-kettle/formula.schema.json',
    title: 'Idle Kettle formula',
    ...objectSchema('document'),
    allOf: KINDS.map((kind) => ({
      if: { properties: { kind: { const: kind } } },
      then: { properties: { method: { enum: [...METHODS_OF_KIND[kind]] } } },
    })),
    $defs: {
      line: {
        ...objectSchema('line'),
        oneOf: [{ required: ['ingredient'] }, { required: ['name', 'composition'] }],
      },
      finish: objectSchema('finish'),
    },
  };
}
