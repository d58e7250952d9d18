export const name = '0009-freezer';

export const up = `
CREATE TABLE frozen_fruit (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  ingredient text NOT NULL,
  mass_kg double precision NOT NULL CHECK (mass_kg > 0),
  note text NOT NULL DEFAULT '',
  frozen_on date NOT NULL
);
CREATE INDEX frozen_fruit_household ON frozen_fruit (household_id, frozen_on);
CREATE TRIGGER frozen_fruit_live AFTER INSERT OR UPDATE OR DELETE ON frozen_fruit
  FOR EACH ROW EXECUTE FUNCTION tell_live();
`;
