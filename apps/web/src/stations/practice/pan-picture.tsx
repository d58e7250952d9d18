import { memo } from 'react';
import type { PracticeView } from './practice-game.js';
import { HEAT_WORDS } from './words.js';

type PanPictureProps = Pick<
  PracticeView,
  | 'heat'
  | 'hasPower'
  | 'fill'
  | 'foam'
  | 'boilsBy'
  | 'thickness'
  | 'darkness'
  | 'isSteaming'
  | 'signs'
> & { readonly isLidded: boolean };

/** The inside of the pan in the picture. */
const PAN = { left: 60, right: 340, top: 62, base: 222 } as const;
/** Froth is pale in any light. */
const FROTH = '#fff4e2';
const DEPTH = PAN.base - PAN.top;
/** Foam is drawn this far over the rim at most, px. */
const OVER_RIM = 26;
const yAt = (share: number): number =>
  PAN.base - Math.min(Math.max(share, 0.02), 1 + OVER_RIM / DEPTH) * DEPTH;

/** Places of bubbles across the pan, in no order: share of its width, and of a second. */
const BUBBLES = [0.08, 0.55, 0.29, 0.83, 0.42, 0.69, 0.17, 0.93, 0.36, 0.62, 0.24, 0.77] as const;
const MOST_BUBBLES = BUBBLES.length;

/** The picture is drawn on so many units, and laid out by shares of them. */
const VIEW = { width: 400, height: 300 } as const;
const across = (units: number): string => `${(units / VIEW.width) * 100}%`;
const down = (units: number): string => `${(units / VIEW.height) * 100}%`;

/**
 * What moves lies over the drawing as boxes of its own: the browser moves those by itself, while
 * anything that moves within a drawing is drawn anew for every frame.
 */
function Bubbles({
  level,
  boilsBy,
  thickness,
}: { readonly level: number } & Pick<PanPictureProps, 'boilsBy' | 'thickness'>) {
  const count = Math.round(Math.min(boilsBy, 1) * MOST_BUBBLES);
  const size = 6 + thickness * 14;
  return BUBBLES.slice(0, count).map((place, i) => (
    <span
      key={place}
      aria-hidden="true"
      className="pan-bubble absolute rounded-full border-2"
      style={{
        left: across(PAN.left + 4 + place * (PAN.right - PAN.left - 30)),
        top: down(level + (i % 3) * 5),
        width: across(size * (0.7 + (i % 4) * 0.15)),
        aspectRatio: '1',
        borderColor: FROTH,
        animationDelay: `${-place * 2}s`,
        animationDuration: `${0.7 + thickness * 1.6}s`,
      }}
    />
  ));
}

const Steam = () =>
  [118, 188, 258].map((x, i) => (
    <svg
      key={x}
      aria-hidden="true"
      viewBox="0 0 24 44"
      className="pan-steam absolute opacity-50"
      style={{ left: across(x), top: 0, width: across(24), animationDelay: `${-i * 0.9}s` }}
    >
      <path
        d="M12 42q-9 -11 0 -20t0 -20"
        stroke="var(--soft)"
        strokeWidth="3"
        fill="none"
        strokeLinecap="round"
      />
    </svg>
  ));

/** The flame, or the plate, under the pan. */
function Heat({ heat, hasPower }: Pick<PanPictureProps, 'heat' | 'hasPower'>) {
  const height = hasPower ? heat * 9 : 0;
  return (
    <g aria-hidden="true">
      <rect x="120" y="278" width="160" height="8" rx="4" fill="var(--line)" />
      {height > 0 &&
        [140, 165, 190, 215, 240, 260].map((x, i) => (
          <path
            key={x}
            d={`M${x - 7} 277 Q${x - 6} ${277 - height * 0.5} ${x} ${277 - height - (i % 2) * 3} Q${x + 6} ${277 - height * 0.5} ${x + 7} 277Z`}
            fill="var(--color-secondary)"
          />
        ))}
    </g>
  );
}

/** The pan cut open: how full, how high the foam, how it bubbles, how dark. Everything it shows is in words beside it. */
export const PanPicture = memo(function PanPicture({
  heat,
  hasPower,
  fill,
  foam,
  boilsBy,
  thickness,
  darkness,
  isSteaming,
  signs,
  isLidded,
}: PanPictureProps) {
  const level = yAt(fill);
  const crest = yAt(foam);
  const isOver = foam > 1;
  const spoken = `The pan on ${hasPower ? HEAT_WORDS[heat] : 'no'} heat: ${signs.map(({ says }) => says).join(', ')}`;
  return (
    <div className="relative">
      <svg
        viewBox={`0 0 ${VIEW.width} ${VIEW.height}`}
        role="img"
        aria-label={spoken}
        className="w-full"
      >
        <Heat heat={heat} hasPower={hasPower} />
        {foam > fill + 0.01 && (
          <rect
            x={PAN.left}
            y={crest}
            width={PAN.right - PAN.left}
            height={level - crest + 6}
            rx="8"
            fill={`color-mix(in oklab, var(--fruit) 40%, ${FROTH})`}
          />
        )}
        <rect
          x={PAN.left}
          y={level}
          width={PAN.right - PAN.left}
          height={PAN.base - level}
          fill={`color-mix(in oklab, var(--fruit) ${100 - Math.round(darkness * 55)}%, #2a1508)`}
        />
        {isOver && (
          <g aria-hidden="true" fill={`color-mix(in oklab, var(--fruit) 60%, ${FROTH})`}>
            <path d="M58 58q-14 2 -14 26v60q0 9 6 9t6 -9v-56z" />
            <path d="M342 58q14 2 14 26v92q0 9 -6 9t-6 -9v-88z" />
          </g>
        )}
        <path
          d={`M${PAN.left - 4} ${PAN.top - 8}V${PAN.base + 8}a16 16 0 0 0 16 16H${PAN.right - 12}a16 16 0 0 0 16 -16V${PAN.top - 8}`}
          fill="none"
          stroke="var(--color-secondary)"
          strokeWidth="8"
          strokeLinecap="round"
        />
        <path
          d="M54 84H20M346 84H380"
          stroke="var(--color-secondary)"
          strokeWidth="9"
          strokeLinecap="round"
        />
        {isLidded && (
          <path
            d="M50 52h300M180 44q20 -16 40 0"
            stroke="var(--soft)"
            strokeWidth="8"
            fill="none"
            strokeLinecap="round"
          />
        )}
      </svg>
      <Bubbles level={level} boilsBy={boilsBy} thickness={thickness} />
      {isSteaming && !isLidded && <Steam />}
    </div>
  );
});
