export const name = '0022-lessons-retried';

// A boil that took too long to look at is tried again later: `tries` counts how often it was tried
// in vain, `retry_at` is when it is tried next. What said nothing before may have been one of these.
export const up = `
ALTER TABLE boil_lessons ADD COLUMN tries integer NOT NULL DEFAULT 0, ADD COLUMN retry_at timestamptz;
UPDATE boil_lessons SET version = version + 1 WHERE evidence IS NULL;
`;
