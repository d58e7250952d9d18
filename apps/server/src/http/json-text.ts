/** The type of an answer that the database has already written as JSON. */
export const JSON_TEXT = 'application/json; charset=utf-8';
