export const name = '0010-lessons';

/** Events after which a boil may say something else of its kitchen. */
const TELLING = `('done', 'undo', 'jarred', 'scored', 'addition', 'omission', 'weighed')`;

// What a boil says is worked out once and kept. \`told\` counts what may have changed it,
// \`worked_out\` how much of that was known then.
export const up = `
CREATE TABLE boil_lessons (
  batch_id uuid PRIMARY KEY REFERENCES batches (id) ON DELETE CASCADE,
  household_id uuid NOT NULL REFERENCES households (id),
  kitchen_id uuid REFERENCES kitchens (id) ON DELETE SET NULL,
  ended_at timestamptz,
  told bigint NOT NULL DEFAULT 1,
  worked_out bigint NOT NULL DEFAULT 0,
  evidence jsonb,
  hindsight jsonb
);
CREATE INDEX boil_lessons_stale ON boil_lessons (household_id) WHERE told <> worked_out;
CREATE INDEX boil_lessons_kitchen ON boil_lessons (kitchen_id, ended_at);

INSERT INTO boil_lessons (batch_id, household_id)
  SELECT DISTINCT batch_id, household_id FROM batch_events WHERE type = 'done';

CREATE FUNCTION boil_told() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO boil_lessons AS lesson (batch_id, household_id) VALUES (NEW.batch_id, NEW.household_id)
    ON CONFLICT (batch_id) DO UPDATE SET told = lesson.told + 1;
  RETURN NULL;
END $$;
CREATE TRIGGER batch_events_told AFTER INSERT ON batch_events
  FOR EACH ROW WHEN (NEW.type IN ${TELLING}) EXECUTE FUNCTION boil_told();
CREATE TRIGGER boil_lessons_live AFTER INSERT OR UPDATE OF told OR DELETE ON boil_lessons
  FOR EACH ROW EXECUTE FUNCTION tell_live();
`;
