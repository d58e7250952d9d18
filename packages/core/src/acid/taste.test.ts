import { tasteWord } from './taste.js';

// Common practice: jams at half a per cent to one taste neither flat nor sharp.
test.each([
  [0.1, 'flat'],
  [0.4, 'mild'],
  [0.7, 'balanced'],
  [1.2, 'sharp'],
  [2.5, 'very sharp'],
])('%f %% of acid tastes %s', (percent, word) => expect(tasteWord(percent)).toBe(word));
