import * as dates from '../ui/dates.js';
import { signedRow, type CheckedRow } from './checked-rows.js';
import { useGear } from './use-gear.js';

/** Who held a row of a table against their own, and when, as the tables say it. */
export function useCheckedBy(): (row: CheckedRow) => string {
  const { gear } = useGear();
  return (row) => {
    const check = signedRow(row, gear.tableChecks);
    return check ? `${check.by}, ${dates.day(check.on)}` : 'not yet';
  };
}
