import { HEIGHT, WIDTH } from './gel-map-shape.js';

type Pixel = readonly [x: number, y: number];

/** An arrow of the gel map with the place of its words. */
export interface PlacedArrow {
  readonly label: string;
  readonly from: Pixel;
  readonly to: Pixel;
  /** Where the words begin, or end, on their base line. */
  readonly at: Pixel;
  readonly anchor: 'start' | 'end';
}

/** Arrows shorter than this say nothing, px. */
const SHORTEST = 7;
/** From one line of words to the next, and the width of a letter, px. */
const LINE = 18;
const LETTER = 7.4;
/** Words that would run over the edge of the map stand on the other side of their tip, px. */
const EDGE = 110;
const TOP = 16;

const spanOf = ({ label, at, anchor }: PlacedArrow): readonly [number, number] => {
  const width = label.length * LETTER;
  return anchor === 'start' ? [at[0], at[0] + width] : [at[0] - width, at[0]];
};

function overlaps(a: PlacedArrow, b: PlacedArrow): boolean {
  const [[a0, a1], [b0, b1]] = [spanOf(a), spanOf(b)];
  return a0 < b1 && b0 < a1 && Math.abs(a.at[1] - b.at[1]) < LINE;
}

/** The words beside the tip of an arrow, before the others are looked at. */
function beside(from: Pixel, label: string, to: Pixel): PlacedArrow {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const uy = dy / Math.hypot(dx, dy);
  const isAcross = Math.abs(dx) > Math.abs(dy);
  const isLeft = to[0] > WIDTH - EDGE;
  const at: Pixel = [to[0] + (isLeft ? -9 : 9), isAcross ? to[1] + 22 : to[1] + uy * 10 + 4];
  return { label, from, to, at, anchor: isLeft ? 'end' : 'start' };
}

/** Arrows with their words clear of each other and inside the map. Short ones are left out. */
export function placeArrows(
  from: Pixel,
  arrows: readonly { readonly label: string; readonly to: Pixel }[],
): readonly PlacedArrow[] {
  const placed: PlacedArrow[] = [];
  for (const { label, to } of arrows) {
    if (Math.hypot(to[0] - from[0], to[1] - from[1]) < SHORTEST) continue;
    let arrow = beside(from, label, to);
    // Downwards until there is room, then from the top.
    for (let tries = 0; tries < 40 && placed.some((other) => overlaps(other, arrow)); tries++) {
      const y = arrow.at[1] + LINE;
      arrow = { ...arrow, at: [arrow.at[0], y > HEIGHT - LINE ? TOP : y] };
    }
    placed.push({ ...arrow, at: [arrow.at[0], Math.max(arrow.at[1], TOP)] });
  }
  return placed;
}
