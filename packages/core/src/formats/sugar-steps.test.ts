import { sugarInOf } from './sugar-steps.js';
import { importFormula } from './import.js';

test.each([
  ['Meanwhile warm the sugar in a low oven.', 'warmed'],
  ['Put the sugar in a dish in a low oven for 15 minutes.', 'warmed'],
  ['Add the warmed sugar and stir until it has dissolved.', 'warmed'],
  ['Stir in the sugar a cup at a time.', 'by-degrees'],
  ['Gradually add the sugar, stirring.', 'by-degrees'],
  ['Add the sugar in three parts.', 'by-degrees'],
  ['Add all the sugar at once and return to a full rolling boil.', undefined],
  ['Add the sugar. Warm the jars in a low oven.', undefined],
])('%s', (step, sugarIn) => expect(sugarInOf(step)).toBe(sugarIn));

test('a recipe that warms its sugar is a formula that does', () => {
  const imported = importFormula(
    'Damson jam\n\n2 kg damsons\n1.5 kg sugar\n\nMethod\nSimmer the damsons until soft.\nWarm the sugar in a low oven and stir it in.\n',
  );
  expect(imported).toMatchObject({ ok: true, document: { sugarIn: 'warmed' } });
});
