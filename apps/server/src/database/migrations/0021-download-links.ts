export const name = '0021-download-links';

// A file of the household that a browser asks for without saying which page it comes from has an
// address that works once, and for a minute.
export const up = `
CREATE TABLE download_links (
  token_hash text PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  path text NOT NULL,
  expires_at timestamptz NOT NULL
);
CREATE INDEX download_links_expired ON download_links (expires_at);
`;
