import { FORMS, RIPENESS } from '../produce/index.js';
import { JAR_SIZES } from '../jars/index.js';
import {
  FINISHES,
  KINDS,
  MAIN_ACIDS,
  METHODS,
  METHODS_OF_KIND,
  PROCESSINGS,
  STAGES,
} from './document.js';

const percent = { type: 'number', minimum: 0, maximum: 100 } as const;
const text = (maxLength: number, description: string) => ({
  type: 'string',
  maxLength,
  description,
});

/**
 * JSON Schema (2020-12) of the formula document, made from the types' own tables.
 * `docs/formula.schema.json` is its print; a test keeps the two the same. Ingredients are not
 * listed: spellings and synonyms are read too, see `readFormula`.
 */
export function formulaSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'idle-kettle/formula.schema.json',
    title: 'Idle Kettle formula',
    type: 'object',
    required: ['kind', 'method', 'lines', 'finish'],
    properties: {
      format: { const: 'idle-kettle/formula' },
      version: { const: 1 },
      title: text(120, 'what the jar is called'),
      kind: { enum: [...KINDS] },
      method: { enum: [...METHODS] },
      decimal: { enum: ['.', ','] },
      lines: { type: 'array', minItems: 1, maxItems: 200, items: { $ref: '#/$defs/line' } },
      finish: { $ref: '#/$defs/finish' },
      place: {
        type: 'object',
        properties: {
          altitude: text(
            20,
            'height above the sea, "310 m" or "3870 ft"; the process band comes from it alone',
          ),
          pressure: text(20, 'station pressure, "842 hPa"'),
          boilingPoint: text(20, 'boiling water on the thermometer in use, "201.5 F"'),
        },
      },
      jars: {
        type: 'array',
        maxItems: 20,
        items: {
          type: 'object',
          required: ['size'],
          properties: {
            size: { enum: JAR_SIZES.map(({ id }) => id) },
            headspace: text(20, '"1/4 in" or "6 mm"'),
            count: { type: 'integer', minimum: 0, maximum: 10_000 },
          },
        },
      },
      processing: { enum: [...PROCESSINGS] },
      preSterilised: { type: 'boolean' },
      processMinutes: {
        type: 'number',
        minimum: 0,
        maximum: 240,
        description: 'minutes the maker asks for; less than the table is refused',
      },
      testedSource: {
        type: 'object',
        required: ['publisher', 'year', 'unchanged'],
        properties: {
          publisher: text(120, 'who tested it'),
          year: { type: 'integer' },
          unchanged: { type: 'boolean' },
          of: text(32, 'fingerprint of the formula when it was attested'),
        },
        description: 'set by a person, dropped by import, void after any edit',
      },
      measuredPH: {
        type: 'object',
        required: ['value', 'meterCalibratedOn', 'measuredOn'],
        properties: {
          value: { type: 'number', minimum: 1.5, maximum: 9 },
          meterCalibratedOn: { type: 'string', format: 'date' },
          measuredOn: { type: 'string', format: 'date' },
          of: text(32, 'fingerprint of the formula when it was measured'),
        },
      },
      statedYield: text(60, '"6 half-pint"; audited'),
      notes: text(10_000, 'free text'),
      steps: { type: 'array', maxItems: 200, items: text(1000, 'one step') },
    },
    allOf: KINDS.map((kind) => ({
      if: { properties: { kind: { const: kind } } },
      then: { properties: { method: { enum: [...METHODS_OF_KIND[kind]] } } },
    })),
    $defs: {
      line: {
        type: 'object',
        required: ['amount'],
        oneOf: [{ required: ['ingredient'] }, { required: ['name', 'composition'] }],
        properties: {
          ingredient: text(120, 'an id such as "blackcurrant", or its name'),
          name: text(80, 'an ingredient of your own'),
          composition: {
            type: 'object',
            required: ['solubleSolidsPercent'],
            properties: {
              solubleSolidsPercent: percent,
              insolubleSolidsPercent: percent,
              pH: { type: 'number', minimum: 1.5, maximum: 9 },
              titratableAcidityPercent: percent,
              acid: { enum: [...MAIN_ACIDS] },
              pectinPercent: percent,
              densityKgPerM3: { type: 'number', minimum: 50, maximum: 2500 },
            },
          },
          form: { enum: [...FORMS] },
          ripeness: { enum: [...RIPENESS] },
          variety: text(60, 'of the fruit, in your words'),
          goesIn: {
            enum: [...STAGES],
            description: 'when it goes in, where that is not the usual time',
          },
          amount: {
            oneOf: [
              text(80, 'a number and a unit: "2 1/2 cups", "1.2 kg", "about 11 medium"'),
              {
                type: 'object',
                required: ['value', 'unit'],
                properties: {
                  value: { type: 'number', exclusiveMinimum: 0 },
                  unit: { type: 'string' },
                },
              },
            ],
          },
          alsoStated: text(80, 'a second amount for the same line; audited'),
          overrides: {
            type: 'object',
            properties: {
              solubleSolidsPercent: percent,
              pH: { type: 'number', minimum: 1.5, maximum: 9 },
              titratableAcidityPercent: percent,
              pectinPercent: percent,
            },
          },
        },
      },
      finish: {
        type: 'object',
        required: ['type'],
        properties: {
          type: { enum: [...FINISHES] },
          rise: text(20, 'above boiling water, "8 F"; for gel-temperature'),
          percent: { type: 'number', minimum: 10, maximum: 85 },
          minutes: { type: 'number', exclusiveMinimum: 0, maximum: 30 },
          mass: text(20, '"1.7 kg"; for weight'),
          temperature: text(20, '"170 F"; for curd'),
        },
      },
    },
  };
}
