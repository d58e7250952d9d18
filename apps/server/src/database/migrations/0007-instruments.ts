export const name = '0007-instruments';

// An instrument's values go to the pot it stood in when they were taken, so where it stood is kept
// by time. A list of batches needs all that was done, and of the readings only the last: an index
// for each.
export const up = `
CREATE TABLE instruments (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  name text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('thermometer', 'scale', 'refractometer', 'simulated')),
  token_hash text NOT NULL UNIQUE,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE instrument_places (
  instrument_id uuid NOT NULL REFERENCES instruments (id) ON DELETE CASCADE,
  household_id uuid NOT NULL REFERENCES households (id),
  batch_id uuid REFERENCES batches (id) ON DELETE CASCADE,
  from_at timestamptz NOT NULL,
  PRIMARY KEY (instrument_id, from_at)
);
CREATE TRIGGER instruments_live AFTER INSERT OR UPDATE OR DELETE ON instruments
  FOR EACH ROW EXECUTE FUNCTION tell_live();
CREATE TRIGGER instrument_places_live AFTER INSERT OR UPDATE OR DELETE ON instrument_places
  FOR EACH ROW EXECUTE FUNCTION tell_live('batch_id');

-- Which transaction wrote an event. Everything of a transaction older than the oldest one still running is there to be read, which
-- no sequence can promise: what is asked for since that one misses nothing.
ALTER TABLE batch_events ADD COLUMN written_by xid8 NOT NULL DEFAULT pg_current_xact_id();
CREATE INDEX batch_events_since ON batch_events (batch_id, written_by);

CREATE INDEX batch_events_done ON batch_events (batch_id) WHERE type <> 'reading';
CREATE INDEX batch_events_readings ON batch_events (batch_id, happened_at DESC) WHERE type = 'reading';
`;
