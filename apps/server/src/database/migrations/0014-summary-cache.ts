export const name = '0014-summary-cache';

// What lists say of batches, and what boils teach, is a cache: `version` counts what may have
// changed an entry, `computed_version` the version it was computed from. The tables and columns
// had other names before.
export const up = `
ALTER TABLE batch_standings RENAME TO batch_summaries;
ALTER TABLE batch_summaries RENAME COLUMN told TO version;
ALTER TABLE batch_summaries RENAME COLUMN told_at TO changed_at;
ALTER TABLE batch_summaries RENAME COLUMN worked_out TO computed_version;
ALTER TABLE batch_summaries RENAME COLUMN words TO search_text;
ALTER TABLE lot_standings RENAME TO lot_summaries;
ALTER TABLE lot_summaries RENAME COLUMN words TO search_text;
ALTER TABLE boil_lessons RENAME COLUMN told TO version;
ALTER TABLE boil_lessons RENAME COLUMN worked_out TO computed_version;

ALTER INDEX batch_standings_list RENAME TO batch_summaries_list;
ALTER INDEX batch_standings_stale RENAME TO batch_summaries_stale;
ALTER INDEX lot_standings_batch RENAME TO lot_summaries_batch;
ALTER INDEX lot_standings_list RENAME TO lot_summaries_list;
ALTER INDEX lot_standings_left RENAME TO lot_summaries_left;
ALTER INDEX lot_standings_first RENAME TO lot_summaries_first;
ALTER INDEX lot_standings_here RENAME TO lot_summaries_here;
ALTER INDEX IF EXISTS batch_standings_words RENAME TO batch_summaries_search;
ALTER INDEX IF EXISTS lot_standings_words RENAME TO lot_summaries_search;

ALTER FUNCTION batch_told() RENAME TO batch_changed;
CREATE OR REPLACE FUNCTION batch_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO batch_summaries AS summary (batch_id, household_id, created_at, kind, removed)
    VALUES (
      NEW.id, NEW.household_id, NEW.created_at, NEW.document ->> 'kind', NEW.removed_at IS NOT NULL
    )
    ON CONFLICT (batch_id) DO UPDATE SET version = summary.version + 1,
      changed_at = clock_timestamp(), kind = EXCLUDED.kind, removed = EXCLUDED.removed;
  RETURN NULL;
END $$;
ALTER TRIGGER batches_told ON batches RENAME TO batches_changed;

-- A reading only counts where the boil is over: it came late, and is one of the last before the end.
ALTER FUNCTION log_told() RENAME TO log_grew;
CREATE OR REPLACE FUNCTION log_grew() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE batch_summaries SET version = version + 1, changed_at = clock_timestamp()
    WHERE batch_id IN (
      SELECT summary.batch_id FROM batch_summaries summary
        JOIN (
          SELECT batch_id, bool_or(type <> 'reading') AS has_more_than_readings
          FROM fresh GROUP BY batch_id
        ) added ON added.batch_id = summary.batch_id
      WHERE added.has_more_than_readings OR summary.ended
      ORDER BY summary.batch_id FOR NO KEY UPDATE OF summary);
  RETURN NULL;
END $$;
ALTER TRIGGER batch_events_standing ON batch_events RENAME TO batch_events_summary;

ALTER FUNCTION lot_told() RENAME TO lot_added;
CREATE OR REPLACE FUNCTION lot_added() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO lot_summaries (lot_id, household_id, batch_id, made_on, created_at, place, begun)
    VALUES (
      NEW.id, NEW.household_id, NEW.batch_id, NEW.made_on, NEW.created_at, NEW.place,
      NEW.part_fill IS NOT NULL OR NEW.kept_in IS NOT DISTINCT FROM 'opened'
    );
  UPDATE batch_summaries SET version = version + 1, changed_at = clock_timestamp()
    WHERE batch_id = NEW.batch_id;
  RETURN NULL;
END $$;
ALTER TRIGGER shelf_lots_told ON shelf_lots RENAME TO shelf_lots_added;

CREATE OR REPLACE FUNCTION jars_moved() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE lot_summaries SET jars = jars + NEW.change WHERE lot_id = NEW.lot_id;
  RETURN NULL;
END $$;

-- How jars keep is computed with what is known of the kitchen.
ALTER FUNCTION kitchen_told() RENAME TO kitchen_changed;
CREATE OR REPLACE FUNCTION kitchen_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE batch_summaries SET version = version + 1, changed_at = clock_timestamp()
    WHERE batch_id IN (
      SELECT batch_id FROM batch_summaries summary
      WHERE household_id = coalesce(NEW.household_id, OLD.household_id)
        AND EXISTS (
          SELECT 1 FROM lot_summaries lot WHERE lot.batch_id = summary.batch_id AND lot.jars > 0
        )
      ORDER BY batch_id FOR NO KEY UPDATE);
  RETURN NULL;
END $$;
ALTER TRIGGER kitchens_told ON kitchens RENAME TO kitchens_changed;
ALTER TRIGGER prepared_weights_told ON prepared_weights RENAME TO prepared_weights_changed;

ALTER FUNCTION boil_told() RENAME TO lesson_outdated;
CREATE OR REPLACE FUNCTION lesson_outdated() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO boil_lessons AS lesson (batch_id, household_id)
    VALUES (NEW.batch_id, NEW.household_id)
    ON CONFLICT (batch_id) DO UPDATE SET version = lesson.version + 1;
  RETURN NULL;
END $$;
ALTER TRIGGER batch_events_told ON batch_events RENAME TO batch_events_lesson;
`;
