import { GLOSSARY, termOf } from './glossary.js';

test('sixty terms or more, each once, in the order of the alphabet by their ids', () => {
  expect(GLOSSARY.length).toBeGreaterThanOrEqual(60);
  const ids = GLOSSARY.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
});

test('every term that is linked is there, and none links to itself', () => {
  for (const { id, see = [] } of GLOSSARY)
    for (const other of see) {
      expect(termOf(other).id).toBe(other);
      expect(other).not.toBe(id);
    }
  expect(() => termOf('kettle')).toThrow(RangeError);
});
