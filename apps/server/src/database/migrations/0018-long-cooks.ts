export const name = '0018-long-cooks';

// Long cooks say something of a kitchen too, where they were weighed: what said nothing before is
// looked at again.
export const up = `
UPDATE boil_lessons SET version = version + 1 WHERE evidence IS NULL;
`;
