import { inOrder } from './notices.js';

test('typefaces come first, then by name', () => {
  const group = (...packages: string[]) => ({ licence: 'MIT', text: '', packages });
  expect(
    inOrder([group('react 19'), group('dexie 4'), group('@fontsource/fraunces 5')]).map(
      ({ packages }) => packages[0],
    ),
  ).toEqual(['@fontsource/fraunces 5', 'dexie 4', 'react 19']);
});
