/** A moment as ISO 8601 in UTC, written by the database. */
export const isoMoment = (column: string): string =>
  `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/**
 * The rows of `batch_events` of a statement as the text of a JSON list, in order of arrival. The
 * database writes it: a probe leaves thousands.
 */
export const EVENTS_AS_JSON = `
  '[' || coalesce(string_agg(
    '{"id":"' || id || '","type":"' || type || '","device":' || to_json(device)
      || ',"body":' || body || ',"at":"' || ${isoMoment('happened_at')} || '"'
      || coalesce(',"saidAt":"' || ${isoMoment('said_at')} || '"', '') || '}',
    ',' ORDER BY seq), '') || ']'`;
