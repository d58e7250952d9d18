export const name = '0013-quick-search';

// What is typed is found anywhere in the words of thousands of batches and jars, and the totals of
// a shelf are added up, without reading all that lists say of them. A database that does not have
// the extension, or lets nobody make it, searches as before.
export const up = `
DO $$
BEGIN
  CREATE EXTENSION IF NOT EXISTS pg_trgm;
  CREATE INDEX batch_standings_words ON batch_standings USING gin (words gin_trgm_ops);
  CREATE INDEX lot_standings_words ON lot_standings USING gin (words gin_trgm_ops);
EXCEPTION WHEN insufficient_privilege OR undefined_file OR feature_not_supported THEN
  RAISE NOTICE 'pg_trgm is not to be had here: searching reads every row';
END $$;
CREATE INDEX lot_standings_here ON lot_standings (household_id, place, verdict) INCLUDE (jars) WHERE jars > 0;
`;
