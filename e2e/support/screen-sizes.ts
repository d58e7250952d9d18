/** A laptop, a tablet at the stove, and a phone, CSS pixels. */
export const SCREEN_SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
] as const;
