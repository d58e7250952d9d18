import { BANDS, BOTTOM, HEIGHT, LEFT, shading, WIDTH, x, y } from './gel-map-shape.js';

/** Every point of a path as numbers. */
const points = (path: string): [number, number][] =>
  [...path.matchAll(/([\d.]+) ([\d.]+)/g)].map(([, a = '', b = '']) => [Number(a), Number(b)]);

test('solids go across and sharper is up; what lies outside is drawn at the edge', () => {
  expect(x(50)).toBe(LEFT);
  expect(x(75)).toBe(WIDTH);
  expect(x(90)).toBe(WIDTH);
  expect(y(2.6)).toBe(0);
  expect(y(6)).toBe(HEIGHT - BOTTOM);
  expect(y(3.0)).toBeLessThan(y(3.4));
});

test('bands are nested: firmer lies within softer', () => {
  const shapes = shading(1.2, 65);
  expect(shapes.map(({ word }) => word)).toEqual(BANDS.map(({ word }) => word));
  const reach = shapes.map(({ path }) =>
    Math.min(...points(path).map(([across]) => across), WIDTH),
  );
  expect(reach).toEqual([...reach].sort((a, b) => a - b));
});

test('little pectin has no good band, plenty reaches stiff; every point is on the plot', () => {
  const drawn = (pectin: number): string[] =>
    shading(pectin, 65)
      .filter(({ path }) => path !== '')
      .map(({ word }) => word);
  expect(drawn(0.02)).toEqual([]);
  expect(drawn(0.3)).not.toContain('good');
  expect(drawn(1.5)).toContain('stiff');
  for (const { path } of shading(1.5, 65))
    for (const [across, down] of points(path)) {
      expect(across).toBeGreaterThanOrEqual(LEFT);
      expect(across).toBeLessThanOrEqual(WIDTH);
      expect(down).toBeLessThanOrEqual(HEIGHT - BOTTOM);
    }
});
