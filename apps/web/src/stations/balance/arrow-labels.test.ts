import { placeArrows, type PlacedArrow } from './arrow-labels.js';

const FROM = [200, 150] as const;
/** No two labels share a line where their words would run into each other. */
const clashes = (arrows: readonly PlacedArrow[]): string[] =>
  arrows.flatMap((a, i) =>
    arrows
      .slice(i + 1)
      .filter((b) => {
        const [wa, wb] = [a.label.length * 7, b.label.length * 7];
        const [a0, b0] = [a, b].map(({ at, anchor }, k) =>
          anchor === 'start' ? at[0] : at[0] - (k === 0 ? wa : wb),
        ) as [number, number];
        return Math.abs(a.at[1] - b.at[1]) < 17 && a0 < b0 + wb && b0 < a0 + wa;
      })
      .map((b) => `${a.label} / ${b.label}`),
  );

test('labels of arrows that end near each other are clear of each other', () => {
  const placed = placeArrows(FROM, [
    { label: '+30 ml lemon', to: [204, 110] },
    { label: '+100 g sugar', to: [206, 112] },
    { label: 'stop 1° later', to: [210, 114] },
  ]);
  expect(placed).toHaveLength(3);
  expect(clashes(placed)).toEqual([]);
});

test('an arrow too short to see is left out, and words near the edge stand inside it', () => {
  const placed = placeArrows(FROM, [
    { label: 'nothing', to: [203, 152] },
    { label: '+100 g sugar', to: [395, 150] },
  ]);
  expect(placed.map(({ label, anchor }) => [label, anchor])).toEqual([['+100 g sugar', 'end']]);
});
