export const name = '0019-kind-of-lot';

// Lists of jars say of what kind they are: what is listed of every batch is worked out again.
export const up = `
UPDATE batch_summaries SET version = version + 1;
`;
