export const name = '0006-planned';

// A batch that was only planned comes off the bench; its log stays, and it can come back.
export const up = `
ALTER TABLE batches ADD COLUMN removed_at timestamptz;
`;
