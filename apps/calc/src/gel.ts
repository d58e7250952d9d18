import {
  boilingPointAt,
  checkPlace,
  gelTemperature_C,
  parseMeasure,
  processBand,
  type MeasureName,
  type Place,
} from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import type { Verb } from './verb.js';

const GEL_OPTIONS = {
  altitude: ['length', 'altitude_m'],
  pressure: ['pressure', 'pressure_kPa'],
  'boiling-point': ['temperature', 'boilingPoint_C'],
  rise: ['rise', undefined],
} as const satisfies Record<string, readonly [MeasureName, keyof Place | undefined]>;

export const gelVerb: Verb = {
  help: `./kettle calc gel --altitude "5280 ft"     the temperature to stop at, here

  --altitude "310 m"         height above the sea
  --pressure "842 hPa"       station pressure, not reduced to sea level
  --boiling-point "201.5 F"  boiling water on the thermometer in use
  --rise "8 F"               above boiling water (8 F unless given)

A measured boiling point beats pressure, which beats altitude. The process band comes from the altitude alone.`,
  run(argv) {
    const { words, options } = readArgs(argv, Object.keys(GEL_OPTIONS));
    if (words.length > 0) throw new CalcError([`"${words[0]}": calc gel takes options only`]);
    const place: { -readonly [K in keyof Place]: Place[K] } = {};
    const problems: string[] = [];
    let rise: number | undefined;
    for (const [option, [measure, field]] of Object.entries(GEL_OPTIONS)) {
      const text = options[option];
      if (text === undefined) continue;
      const reading = parseMeasure(measure, text);
      if (!reading.ok) {
        problems.push(`--${option}: ${reading.message}`);
        continue;
      }
      const wrong = field && checkPlace({ [field]: reading.value })[0]?.message;
      if (wrong !== undefined) problems.push(`--${option}: ${wrong}`);
      else if (reading.ok && field) place[field] = reading.value;
      else if (reading.ok) rise = reading.value;
    }
    if (Object.keys(place).length === 0 && problems.length === 0)
      problems.push('calc gel needs --altitude, --pressure or --boiling-point');
    if (problems.length > 0) throw new CalcError(problems);
    const { boilingPoint_C, pressure_kPa } = boilingPointAt(place);
    return {
      out: {
        boilingPoint_C: boilingPoint_C.mid,
        gelTemperature_C: gelTemperature_C(place, rise),
        pressure_kPa,
        processBand: processBand(place.altitude_m)?.id ?? null,
      },
    };
  },
};
