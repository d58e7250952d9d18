export const name = '0017-jar-ids';

// Each filled jar has an id, given where it was tapped: two devices that put the same jars away
// make one lot of them.
export const up = `
ALTER TABLE shelf_lots ADD COLUMN jars jsonb;
`;
