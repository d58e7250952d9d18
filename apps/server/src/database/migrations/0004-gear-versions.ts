export const name = '0004-gear-versions';

export const up = `
ALTER TABLE kitchens
  ADD COLUMN pressure_kpa double precision,
  ADD COLUMN pressure_read_at timestamptz,
  ADD COLUMN southern boolean NOT NULL DEFAULT false,
  ADD COLUMN gear jsonb NOT NULL DEFAULT '{"thermometers":[],"vessels":[],"burners":[],"canners":[],"pectins":[],"jars":[]}',
  ADD COLUMN used_at timestamptz NOT NULL DEFAULT now();
UPDATE kitchens SET used_at = created_at;

ALTER TABLE formulas
  ADD COLUMN favourite boolean NOT NULL DEFAULT false,
  ADD COLUMN archived_at timestamptz;

CREATE TABLE formula_versions (
  formula_id uuid NOT NULL REFERENCES formulas (id) ON DELETE CASCADE,
  revision integer NOT NULL,
  household_id uuid NOT NULL REFERENCES households (id),
  document jsonb NOT NULL,
  saved_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (formula_id, revision)
);
INSERT INTO formula_versions (formula_id, revision, household_id, document, saved_at)
  SELECT id, revision, household_id, document, updated_at FROM formulas;

CREATE TABLE prepared_weights (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  ingredient text NOT NULL,
  variety text,
  bought_kg double precision NOT NULL CHECK (bought_kg > 0),
  prepared_kg double precision NOT NULL CHECK (prepared_kg > 0),
  weighed_at timestamptz NOT NULL
);
CREATE INDEX prepared_weights_household ON prepared_weights (household_id, weighed_at DESC);
`;
