import { CLAIM_RULES, stepClaims, type StepClaimCode } from './step-claims.js';

const codes = (step: string, kind: 'jam' | 'curd' = 'jam'): StepClaimCode[] =>
  stepClaims([step], kind).map(({ code }) => code);

test.each<[string, StepClaimCode]>([
  ['Fill the jars, leaving 1 inch headspace.', 'headspace-claim'],
  ['Leave 1/2-inch of space at the top.', 'headspace-claim'],
  ['Fill to within 2 mm of the rim.', 'headspace-claim'],
  ['Put on the lids and turn the jars upside down for 5 minutes.', 'inverted-jars'],
  ['Stand the jars on their lids to cool.', 'inverted-jars'],
  ['Pour melted paraffin over the jelly.', 'wax-seal'],
  ['Seal with a wax disc.', 'wax-seal'],
  ['Process the filled jars in a 120 C oven for 20 minutes.', 'oven-canning'],
  ['There is no need to process; the lids will pop down.', 'open-kettle'],
  ['It keeps for two years in a cupboard.', 'keeps-claim'],
  ['You can double the recipe.', 'doubled-claim'],
])('"%s" is answered: %s', (step, code) => expect(codes(step)).toContain(code));

test.each([
  'Ladle into hot jars, leaving 1/4 inch headspace.',
  'Leave 6 mm of headspace.',
  'Boil for 10 minutes, turn down the heat and stir.',
  'Process 10 minutes in a boiling-water canner.',
  'Warm the jars in the oven.',
  'Keeps for 3 weeks in the fridge.',
])('"%s" claims nothing wrong', (step) => expect(codes(step)).toEqual([]));

test('the headspace of a curd is another', () => {
  expect(codes('Leave 1/2 inch headspace.', 'curd')).toEqual([]);
  expect(codes('Leave 1/4 inch headspace.', 'curd')).toEqual(['headspace-claim']);
});

test('each claim is one entry', () => {
  const all = CLAIM_RULES.map(({ code }) => code);
  expect(new Set(all).size).toBe(all.length);
});
