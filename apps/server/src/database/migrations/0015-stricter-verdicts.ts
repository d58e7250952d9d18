export const name = '0015-stricter-verdicts';

// A verdict that became stricter after its jars were put away is told until somebody has seen it:
// `verdict_was` is the kinder one they were shelved with. Every lot is judged anew, since the rules
// of keeping changed with this step.
export const up = `
ALTER TABLE lot_summaries ADD COLUMN verdict_was text;
CREATE INDEX lot_summaries_stricter ON lot_summaries (household_id) WHERE verdict_was IS NOT NULL;
CREATE FUNCTION verdict_rank(verdict text) RETURNS int LANGUAGE sql IMMUTABLE AS
  $$ SELECT array_position(ARRAY['shelf', 'fridge', 'freezer', 'stop'], verdict) $$;
UPDATE batch_summaries SET version = version + 1;
`;
