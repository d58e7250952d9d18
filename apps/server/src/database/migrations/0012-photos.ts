export const name = '0012-photos';

// Pictures stand in the database with everything else: they are in every backup, every server has
// them, and no file name leads anywhere. Its own notice: the other one would read the whole
// picture.
export const up = `
CREATE TABLE batch_photos (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  batch_id uuid NOT NULL REFERENCES batches (id),
  note text NOT NULL DEFAULT '',
  taken_at timestamptz NOT NULL,
  width integer NOT NULL,
  height integer NOT NULL,
  image bytea NOT NULL,
  small bytea NOT NULL,
  removed_at timestamptz
);
ALTER TABLE batch_photos ALTER COLUMN image SET STORAGE EXTERNAL, ALTER COLUMN small SET STORAGE EXTERNAL;
CREATE INDEX batch_photos_batch ON batch_photos (batch_id, taken_at) WHERE removed_at IS NULL;
CREATE INDEX batch_photos_removed ON batch_photos (removed_at) WHERE removed_at IS NOT NULL;

CREATE FUNCTION tell_photo() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('kettle_live', jsonb_build_object('household', NEW.household_id, 'of', TG_TABLE_NAME, 'batch', NEW.batch_id)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER batch_photos_live AFTER INSERT OR UPDATE ON batch_photos FOR EACH ROW EXECUTE FUNCTION tell_photo();
`;
