export const name = '0016-clocks';

// Events are in the order of the household's one clock, the server's: `happened_at` is corrected
// where the clock of the device was wrong, and `said_at` is what that clock showed.
export const up = `
ALTER TABLE batch_events ADD COLUMN said_at timestamptz;
`;
