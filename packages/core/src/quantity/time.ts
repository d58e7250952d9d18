/** Lengths of time. Moments are milliseconds since 1970, as browsers count them. */
export const SECOND_MS = 1000;
export const MINUTE_MS = 60 * SECOND_MS;
export const HOUR_MS = 60 * MINUTE_MS;
export const DAY_MS = 24 * HOUR_MS;
export const MINUTE_S = 60;
export const HOUR_S = 60 * MINUTE_S;
export const HOUR_MIN = 60;
export const DAY_MIN = 24 * HOUR_MIN;
