export const name = '0002-batches';

export const up = `
CREATE TABLE batches (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  formula_id uuid,
  title text NOT NULL,
  document jsonb NOT NULL,
  revision integer NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX batches_household ON batches (household_id, updated_at DESC);

CREATE TABLE batch_events (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  batch_id uuid NOT NULL REFERENCES batches (id),
  seq bigint GENERATED ALWAYS AS IDENTITY,
  type text NOT NULL,
  happened_at timestamptz NOT NULL,
  recorded_at timestamptz NOT NULL DEFAULT now(),
  device text NOT NULL,
  body jsonb NOT NULL
);
CREATE INDEX batch_events_batch ON batch_events (batch_id, seq);

-- The log is what a lost reading would be missed from: nothing may rewrite it, not even a mistake of ours.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the event log is append-only';
END $$;
CREATE TRIGGER batch_events_append_only BEFORE UPDATE OR DELETE ON batch_events
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
`;
