export const name = '0008-jars';

// Jars that were opened, frozen or put in another cupboard are a lot of their own, which came from
// the one they were taken from.
export const up = `
ALTER TABLE shelf_lots
  ADD COLUMN kept_in text CHECK (kept_in IN ('fridge', 'freezer', 'opened')),
  ADD COLUMN place text NOT NULL DEFAULT '',
  ADD COLUMN kept_since timestamptz,
  ADD COLUMN came_from uuid REFERENCES shelf_lots (id);
ALTER TABLE shelf_moves
  ADD COLUMN whom text NOT NULL DEFAULT '',
  ADD COLUMN note text NOT NULL DEFAULT '';
CREATE INDEX shelf_lots_batch ON shelf_lots (batch_id);
CREATE INDEX shelf_moves_household ON shelf_moves (household_id, happened_at DESC);
`;
