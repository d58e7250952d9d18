import { withFoodName } from './remember-food-name.js';

test('words are kept once, with what they mean now, the newest last', () => {
  const names = [
    { words: 'moonfruit', ingredient: 'plum' },
    { words: 'hedge berries', ingredient: 'sloe' },
  ];
  expect(withFoodName(names, { words: 'moonfruit', ingredient: 'damson' })).toEqual([
    { words: 'hedge berries', ingredient: 'sloe' },
    { words: 'moonfruit', ingredient: 'damson' },
  ]);
});

test('the oldest goes where there are too many', () => {
  const many = Array.from({ length: 45 }, (_, i) => ({ words: `w${i}`, ingredient: 'plum' }));
  const kept = many.reduce<{ words: string; ingredient: string }[]>(withFoodName, []);
  expect(kept).toHaveLength(40);
  expect(kept[0]?.words).toBe('w5');
});
