import { valueEvents } from './instrument-values.js';

test.each([
  [{ temperature_C: 97.2 }, [{ type: 'reading', body: { temperature_C: 97.2 } }]],
  [{ mass_kg: 3.4 }, [{ type: 'weighed', body: { mass_kg: 3.4 } }]],
  [{ percent: 61 }, [{ type: 'brix', body: { percent: 61 } }]],
  [
    { temperature_C: 97.2, percent: 0 },
    [
      { type: 'reading', body: { temperature_C: 97.2 } },
      { type: 'brix', body: { percent: 0 } },
    ],
  ],
  [{}, []],
])('%j', (values, events) => expect(valueEvents(values)).toEqual(events));
