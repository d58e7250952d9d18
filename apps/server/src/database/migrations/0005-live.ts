export const name = '0005-live';

/**
 * Tables whose changes other devices should see at once; with the column that names the batch,
 * where there is one.
 */
const TOLD: readonly (readonly [table: string, batchColumn?: string])[] = [
  ['kitchens'],
  ['formulas'],
  ['prepared_weights'],
  ['batches', 'id'],
  ['batch_events', 'batch_id'],
  ['shelf_lots', 'batch_id'],
  ['shelf_moves'],
];

// By trigger, so that whichever server wrote it, and however, every server hears of it. Notices
// that say the same within one transaction are one notice.
export const up = `
CREATE FUNCTION tell_live() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  changed jsonb := to_jsonb(COALESCE(NEW, OLD));
BEGIN
  PERFORM pg_notify('kettle_live', jsonb_build_object(
    'household', changed ->> 'household_id',
    'of', TG_TABLE_NAME,
    'batch', CASE WHEN TG_NARGS > 0 THEN changed ->> TG_ARGV[0] END
  )::text);
  RETURN NULL;
END $$;
${TOLD.map(
  ([table, column]) =>
    `CREATE TRIGGER ${table}_live AFTER INSERT OR UPDATE OR DELETE ON ${table}
  FOR EACH ROW EXECUTE FUNCTION tell_live(${column === undefined ? '' : `'${column}'`});`,
).join('\n')}
`;
