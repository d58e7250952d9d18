import type { TestVerdict } from '@idle-kettle/core';

/**
 * What a fingertip's path through a cold spoonful looks like, verdict by verdict: our own drawings
 * of a plate from above.
 */
const SHAPES: Readonly<Record<TestVerdict, React.ReactNode>> = {
  runs: <path d="M14 40c4-12 14-18 26-16s20 2 22 14-8 20-24 20-28-6-24-18z" />,
  'slowly closes': (
    <>
      <ellipse cx="38" cy="40" rx="22" ry="17" />
      <path d="M38 26v28" className="stroke-base-100" strokeWidth="3" strokeDasharray="3 5" />
    </>
  ),
  'holds a line': (
    <>
      <ellipse cx="38" cy="40" rx="20" ry="16" />
      <path d="M38 22v36" className="stroke-base-100" strokeWidth="7" />
    </>
  ),
  wrinkles: (
    <>
      <ellipse cx="38" cy="40" rx="19" ry="15" />
      <path
        d="M26 34c4 4 8 4 12 0s8-4 12 0M25 41c4 4 9 4 13 0s9-4 13 0M28 48c4 3 7 3 10 0s7-3 10 0"
        className="stroke-base-100"
        strokeWidth="3"
        fill="none"
      />
    </>
  ),
  stiff: (
    <>
      <path d="M22 50v-16a16 12 0 0 1 32 0v16z" />
      <path d="M22 50h32" className="stroke-base-100" strokeWidth="3" />
    </>
  ),
};

export const VerdictPicture = ({ verdict }: { readonly verdict: TestVerdict }) => (
  <svg aria-hidden="true" viewBox="0 0 76 76" className="size-14">
    <circle
      cx="38"
      cy="38"
      r="35"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      opacity="0.5"
    />
    <g fill="var(--fruit)">{SHAPES[verdict]}</g>
  </svg>
);
