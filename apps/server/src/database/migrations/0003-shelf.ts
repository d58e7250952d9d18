export const name = '0003-shelf';

export const up = `
CREATE TABLE shelf_lots (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  batch_id uuid NOT NULL REFERENCES batches (id),
  size text NOT NULL,
  part_fill double precision CHECK (part_fill > 0 AND part_fill < 1),
  made_on date NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX shelf_lots_household ON shelf_lots (household_id, made_on DESC);

CREATE TABLE shelf_moves (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  lot_id uuid NOT NULL REFERENCES shelf_lots (id),
  change integer NOT NULL CHECK (change <> 0),
  reason text NOT NULL,
  happened_at timestamptz NOT NULL,
  recorded_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX shelf_moves_lot ON shelf_moves (lot_id);
CREATE TRIGGER shelf_moves_append_only BEFORE UPDATE OR DELETE ON shelf_moves
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
`;
