import { JarShape } from './jar-picture.js';

/** What steams and what burns moves, but for those who asked for less motion. */
const Steam = ({ x }: { readonly x: number }) => (
  <g
    fill="none"
    stroke="var(--soft)"
    strokeWidth="3"
    strokeLinecap="round"
    opacity="0.55"
    className="steam"
  >
    {[0, 34, 68].map((each) => (
      <path key={each} d={`M${x + each} 44c-9-9 9-14 0-23s9-12 0-20`} />
    ))}
  </g>
);

/** The burner under a picture, from an edge to the one opposite, with its flames where it is on. */
const Hob = ({ from, isOn }: { readonly from: number; readonly isOn: boolean }) => {
  const width = 260 - 2 * from;
  return (
    <g fill={isOn ? 'var(--color-secondary)' : 'var(--line)'}>
      {isOn &&
        Array.from({ length: 9 }, (_, i) => from + 20 + (i * (width - 40)) / 8).map((x) => (
          <path key={x} d={`M${x} 176c-4-6 0-8 0-12c0 4 4 6 0 12z`} />
        ))}
      <rect x={from} y="176" width={width} height="8" rx="4" />
    </g>
  );
};

interface PanPictureProps {
  /** How full the pan is, share of its depth. */
  readonly fill: number;
  /** The burner is on. */
  readonly isOn: boolean;
}

/** A pan on its burner, filled in the colour of its fruit. */
export function PanPicture({ fill, isOn }: PanPictureProps) {
  const top = 150 - Math.min(Math.max(fill, 0.12), 0.92) * 92;
  return (
    <svg aria-hidden="true" viewBox="0 0 260 190" className="h-auto w-full max-w-[230px]">
      {isOn && <Steam x={96} />}
      <clipPath id="pan-inside">
        <path d="M32 58h196l-13 96a8 8 0 0 1-8 6H53a8 8 0 0 1-8-6z" />
      </clipPath>
      <path d="M32 58h196l-13 96a8 8 0 0 1-8 6H53a8 8 0 0 1-8-6z" fill="var(--color-base-100)" />
      <path
        clipPath="url(#pan-inside)"
        d={`M20 ${top}q26-8 54 0t54 0t54 0t58 0v80H20z`}
        fill="var(--fruit)"
      />
      <path
        d="M32 58h196l-13 96a8 8 0 0 1-8 6H53a8 8 0 0 1-8-6z"
        fill="none"
        stroke="var(--color-secondary)"
        strokeWidth="4"
      />
      <path
        d="M4 74h28M228 74h28"
        stroke="var(--color-secondary)"
        strokeWidth="8"
        strokeLinecap="round"
      />
      <Hob from={40} isOn={isOn} />
    </svg>
  );
}

/** At most so many jars are drawn in a canner. */
const MOST_JARS = 4;
/** From one jar to the next. */
const JAR_PITCH = 47;

/** A canner with its jars in the water. */
export function CannerPicture({ jars, isOn }: { readonly jars: number; readonly isOn: boolean }) {
  const shown = Math.min(Math.max(Math.floor(jars), 1), MOST_JARS);
  const first = 130 - (shown * JAR_PITCH) / 2;
  return (
    <svg aria-hidden="true" viewBox="0 0 260 190" className="h-auto w-full max-w-[230px]">
      {isOn && <Steam x={96} />}
      <rect
        x="28"
        y="48"
        width="204"
        height="114"
        rx="10"
        fill="var(--color-base-100)"
        stroke="var(--color-accent)"
        strokeWidth="4"
      />
      <rect x="32" y="70" width="196" height="90" rx="7" fill="var(--color-accent)" opacity="0.2" />
      {Array.from({ length: shown }, (_, i) => (
        <JarShape key={i} x={first + i * JAR_PITCH} y={84} scale={0.52} />
      ))}
      <path
        d="M8 66h20M232 66h20"
        stroke="var(--color-accent)"
        strokeWidth="8"
        strokeLinecap="round"
      />
      <Hob from={34} isOn={isOn} />
    </svg>
  );
}

/** A burner with nothing on it. */
export const FreeBurner = () => (
  <svg aria-hidden="true" viewBox="0 0 260 190" className="h-auto w-full max-w-[230px]">
    <circle
      cx="130"
      cy="110"
      r="42"
      fill="none"
      stroke="var(--line)"
      strokeWidth="4"
      strokeDasharray="9 8"
    />
    <path d="M130 92v36M112 110h36" stroke="var(--soft)" strokeWidth="4" strokeLinecap="round" />
    <Hob from={40} isOn={false} />
  </svg>
);
