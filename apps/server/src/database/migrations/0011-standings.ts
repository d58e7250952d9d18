export const name = '0011-standings';

// What lists say of a batch and of its jars is worked out once and kept, since thousands of them
// are asked for by the page. `told` counts what may have changed it, `worked_out` how much of that
// was known then. Nothing here that could not be worked out again.
export const up = `
CREATE TABLE batch_standings (
  batch_id uuid PRIMARY KEY REFERENCES batches (id) ON DELETE CASCADE,
  household_id uuid NOT NULL REFERENCES households (id),
  created_at timestamptz NOT NULL,
  kind text NOT NULL,
  removed boolean NOT NULL,
  told bigint NOT NULL DEFAULT 1,
  told_at timestamptz NOT NULL DEFAULT clock_timestamp(),
  worked_out bigint NOT NULL DEFAULT 0,
  stale boolean NOT NULL GENERATED ALWAYS AS (told <> worked_out) STORED,
  ended boolean NOT NULL DEFAULT false,
  words text NOT NULL DEFAULT '',
  summary jsonb
);
CREATE INDEX batch_standings_list ON batch_standings (household_id, created_at DESC, batch_id DESC) WHERE NOT removed;
CREATE INDEX batch_standings_stale ON batch_standings (household_id, told_at DESC) INCLUDE (batch_id) WHERE stale;

CREATE TABLE lot_standings (
  lot_id uuid PRIMARY KEY REFERENCES shelf_lots (id) ON DELETE CASCADE,
  household_id uuid NOT NULL REFERENCES households (id),
  batch_id uuid NOT NULL REFERENCES batches (id) ON DELETE CASCADE,
  made_on date NOT NULL,
  created_at timestamptz NOT NULL,
  place text NOT NULL,
  begun boolean NOT NULL,
  jars integer NOT NULL DEFAULT 0,
  words text NOT NULL DEFAULT '',
  verdict text,
  best_before date,
  lids text,
  lids_open integer NOT NULL DEFAULT 0,
  lids_due_at timestamptz,
  view jsonb
);
CREATE INDEX lot_standings_batch ON lot_standings (batch_id);
CREATE INDEX lot_standings_list ON lot_standings (household_id, made_on DESC, created_at DESC, lot_id DESC);
CREATE INDEX lot_standings_left ON lot_standings (household_id, made_on DESC, created_at DESC, lot_id DESC) WHERE jars > 0;
CREATE INDEX lot_standings_first ON lot_standings (household_id, best_before, begun DESC) WHERE jars > 0;

INSERT INTO batch_standings (batch_id, household_id, created_at, kind, removed)
  SELECT id, household_id, created_at, document ->> 'kind', removed_at IS NOT NULL FROM batches;
INSERT INTO lot_standings (lot_id, household_id, batch_id, made_on, created_at, place, begun, jars)
  SELECT id, household_id, batch_id, made_on, created_at, place, part_fill IS NOT NULL OR kept_in IS NOT DISTINCT FROM 'opened',
    coalesce((SELECT sum(change) FROM shelf_moves WHERE lot_id = lot.id), 0)
  FROM shelf_lots lot;

CREATE FUNCTION batch_told() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO batch_standings AS standing (batch_id, household_id, created_at, kind, removed)
    VALUES (NEW.id, NEW.household_id, NEW.created_at, NEW.document ->> 'kind', NEW.removed_at IS NOT NULL)
    ON CONFLICT (batch_id) DO UPDATE SET told = standing.told + 1, told_at = clock_timestamp(),
      kind = EXCLUDED.kind, removed = EXCLUDED.removed;
  RETURN NULL;
END $$;
CREATE TRIGGER batches_told AFTER INSERT OR UPDATE ON batches FOR EACH ROW EXECUTE FUNCTION batch_told();

-- A reading only counts where the boil is over: it came late, and is one of the last before the end.
CREATE FUNCTION log_told() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE batch_standings SET told = told + 1, told_at = clock_timestamp() WHERE batch_id IN (
    SELECT standing.batch_id FROM batch_standings standing
      JOIN (SELECT batch_id, bool_or(type <> 'reading') AS said FROM fresh GROUP BY batch_id) heard ON heard.batch_id = standing.batch_id
    WHERE heard.said OR standing.ended ORDER BY standing.batch_id FOR NO KEY UPDATE OF standing);
  RETURN NULL;
END $$;
CREATE TRIGGER batch_events_standing AFTER INSERT ON batch_events
  REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION log_told();

CREATE FUNCTION lot_told() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO lot_standings (lot_id, household_id, batch_id, made_on, created_at, place, begun)
    VALUES (NEW.id, NEW.household_id, NEW.batch_id, NEW.made_on, NEW.created_at, NEW.place,
      NEW.part_fill IS NOT NULL OR NEW.kept_in IS NOT DISTINCT FROM 'opened');
  UPDATE batch_standings SET told = told + 1, told_at = clock_timestamp() WHERE batch_id = NEW.batch_id;
  RETURN NULL;
END $$;
CREATE TRIGGER shelf_lots_told AFTER INSERT ON shelf_lots FOR EACH ROW EXECUTE FUNCTION lot_told();

CREATE FUNCTION jars_moved() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE lot_standings SET jars = jars + NEW.change WHERE lot_id = NEW.lot_id;
  RETURN NULL;
END $$;
CREATE TRIGGER shelf_moves_counted AFTER INSERT ON shelf_moves FOR EACH ROW EXECUTE FUNCTION jars_moved();

-- How jars keep is worked out with what is known of the kitchen.
CREATE FUNCTION kitchen_told() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE batch_standings SET told = told + 1, told_at = clock_timestamp() WHERE batch_id IN (
    SELECT batch_id FROM batch_standings standing
    WHERE household_id = coalesce(NEW.household_id, OLD.household_id)
      AND EXISTS (SELECT 1 FROM lot_standings lot WHERE lot.batch_id = standing.batch_id AND lot.jars > 0)
    ORDER BY batch_id FOR NO KEY UPDATE);
  RETURN NULL;
END $$;
CREATE TRIGGER kitchens_told AFTER INSERT OR UPDATE OR DELETE ON kitchens FOR EACH ROW EXECUTE FUNCTION kitchen_told();
CREATE TRIGGER prepared_weights_told AFTER INSERT OR UPDATE OR DELETE ON prepared_weights
  FOR EACH ROW EXECUTE FUNCTION kitchen_told();
`;
