import { grouped, type Arranged } from './formula-groups.js';

const formula = (title: string, fruit: string | undefined, favourite = false): Arranged => ({
  title,
  fruit,
  favourite,
});
const LIBRARY = [
  formula('Rhubarb jam', 'rhubarb'),
  formula('Quince jelly', 'quince'),
  formula('Blackcurrant jam', 'blackcurrant'),
  formula('Damson jam', 'damson', true),
  formula('Wine jelly', undefined),
  formula('Gooseberry jam', 'gooseberry'),
];
const OCTOBER = { month: 10, southern: false };
const names = (groups: ReturnType<typeof grouped>) =>
  groups.map(({ name, formulas }) => [name, formulas.map(({ title }) => title)]);

test('by season: now, then the month each comes next', () =>
  expect(names(grouped(LIBRARY, 'season', OCTOBER))).toEqual([
    ['In season now', ['Damson jam', 'Quince jelly', 'Wine jelly']],
    ['From April', ['Rhubarb jam']],
    ['From June', ['Gooseberry jam']],
    ['From July', ['Blackcurrant jam']],
  ]));

test('in the south the year is half a year later', () =>
  expect(names(grouped(LIBRARY, 'season', { month: 10, southern: true }))[0]).toEqual([
    'In season now',
    ['Rhubarb jam', 'Wine jelly'],
  ]));

test('by colour: red first, the colours as they follow each other', () =>
  expect(names(grouped(LIBRARY, 'colour', OCTOBER))).toEqual([
    ['Red', ['Rhubarb jam']],
    ['Orange and yellow', ['Quince jelly']],
    ['Green', ['Gooseberry jam']],
    ['Blue and purple', ['Damson jam', 'Blackcurrant jam', 'Wine jelly']],
  ]));

test('by name: one group, favourites first', () =>
  expect(names(grouped(LIBRARY, 'name', OCTOBER))).toEqual([
    [
      '',
      [
        'Damson jam',
        'Blackcurrant jam',
        'Gooseberry jam',
        'Quince jelly',
        'Rhubarb jam',
        'Wine jelly',
      ],
    ],
  ]));
