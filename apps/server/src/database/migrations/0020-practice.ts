export const name = '0020-practice';

// Runs of practice pans, for whoever stood at them; and pans that somebody of the household wrote.
export const up = `
CREATE TABLE practice_runs (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  player text NOT NULL,
  scenario text NOT NULL,
  seed integer NOT NULL CHECK (seed >= 0),
  mode text NOT NULL CHECK (mode IN ('eye', 'forecast')),
  score integer NOT NULL CHECK (score BETWEEN 0 AND 100),
  medals jsonb NOT NULL DEFAULT '[]',
  played_at timestamptz NOT NULL
);
CREATE INDEX practice_runs_household ON practice_runs (household_id, played_at);
CREATE TRIGGER practice_runs_live AFTER INSERT OR UPDATE OR DELETE ON practice_runs
  FOR EACH ROW EXECUTE FUNCTION tell_live();

CREATE TABLE practice_scenarios (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  document jsonb NOT NULL
);
CREATE INDEX practice_scenarios_household ON practice_scenarios (household_id);
CREATE TRIGGER practice_scenarios_live AFTER INSERT OR UPDATE OR DELETE ON practice_scenarios
  FOR EACH ROW EXECUTE FUNCTION tell_live();
`;
