export const name = '0001-kitchens-formulas';

export const up = `
CREATE TABLE households (
  id uuid PRIMARY KEY,
  name text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE kitchens (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  name text NOT NULL,
  altitude_m double precision,
  boiling_point_c double precision,
  boiling_point_measured_at timestamptz,
  units text NOT NULL CHECK (units IN ('metric', 'us')),
  temperature_unit text NOT NULL CHECK (temperature_unit IN ('C', 'F')),
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX kitchens_household ON kitchens (household_id);

CREATE TABLE formulas (
  id uuid PRIMARY KEY,
  household_id uuid NOT NULL REFERENCES households (id),
  title text NOT NULL,
  document jsonb NOT NULL,
  revision integer NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX formulas_household ON formulas (household_id, title);
`;
