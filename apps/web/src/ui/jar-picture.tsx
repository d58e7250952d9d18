import { fillVolume_ml, findJar, QUARTER_INCH_MM } from '@idle-kettle/core';
import { shareWords } from './share-words.js';

interface JarPictureProps {
  readonly size: string;
  /** 0 to 1. */
  readonly fill: number;
  /** Height of a half-litre jar in pixels; others are drawn to scale. */
  readonly scale?: number;
}

/** A jar in its box of 100 by 140, for a drawing that has several. */
export const JarShape = ({
  x,
  y,
  scale,
}: {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}) => (
  <g transform={`translate(${x} ${y}) scale(${scale})`}>
    <path d={OUTLINE} fill="var(--fruit)" stroke="currentColor" strokeWidth="4" />
    <rect x="18" y="6" width="64" height="15" rx="4" fill="var(--color-secondary)" />
  </g>
);

/** Outline of a jar in a box of 100 by 140: shoulders, body, foot. */
const OUTLINE =
  'M24 22 h52 v6 c0 8 14 8 14 22 v72 a12 12 0 0 1 -12 12 h-56 a12 12 0 0 1 -12 -12 v-72 c0 -14 14 -14 14 -22 z';

/** A jar drawn to its proportion and filled to its headspace, or to its part. */
export function JarPicture({ size, fill, scale = 96 }: JarPictureProps) {
  const jar = findJar(size);
  const volume = jar ? fillVolume_ml(jar, QUARTER_INCH_MM) : 250;
  const height = scale * Math.cbrt(volume / 500);
  const clip = `jar-${size}-${Math.round(fill * 100)}`;
  const top = 134 - Math.min(Math.max(fill, 0), 1) * 102;
  return (
    <svg
      aria-hidden="true"
      viewBox="0 0 100 140"
      width={(height * 100) / 140}
      height={height}
      className="shrink-0"
    >
      <clipPath id={clip}>
        <path d={OUTLINE} />
      </clipPath>
      <rect
        x="8"
        y={top}
        width="84"
        height={140 - top}
        clipPath={`url(#${clip})`}
        fill="var(--fruit)"
      />
      <path d={OUTLINE} fill="none" stroke="currentColor" strokeWidth="3" />
      <rect x="18" y="6" width="64" height="15" rx="4" fill="var(--color-secondary)" />
    </svg>
  );
}

export const jarName = (size: string, count: number): string => {
  const jar = findJar(size);
  return jar ? jar.name[count === 1 ? 0 : 1] : size;
};

/**
 * A count with its jars: "8 and a bit half-pints", "nearly 9 × 454 g jars", so that two numbers
 * never run together.
 */
export const jarsOf = (count: string, size: string, many = 2): string => {
  const name = jarName(size, many);
  return `${count}${/^\d/.test(name) ? ' × ' : ' '}${name}`;
};

/** "⅓ full" and its like, for a part jar. */
export function partWords(part: number): string {
  if (part > 0.87) return 'nearly full';
  return part < 0.13 ? 'a spoonful' : `${shareWords(part)} full`;
}
