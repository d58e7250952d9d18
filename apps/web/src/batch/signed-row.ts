import type { TableCheckBody } from '@idle-kettle/contract';
import type { ProcessRow } from '@idle-kettle/core';

/** Who signed a row of the process tables; undefined where nobody did, or its minutes changed since. */
export const signedRow = (
  { id, minutes }: ProcessRow,
  checks: readonly TableCheckBody[] = [],
): TableCheckBody | undefined =>
  checks.find((check) => check.row === id && minutes.every((each, i) => check.minutes[i] === each));
