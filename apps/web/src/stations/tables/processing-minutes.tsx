import {
  PROCESS_BANDS,
  PROCESS_ROWS,
  processBand,
  sterilisingMinutes,
  type ProcessRow,
} from '@idle-kettle/core';
import { PROCESS_CHECKS } from '../../batch/checked-rows.js';
import { useCheckedBy } from '../../batch/use-checked-by.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import { bandWords } from './band-words.js';
import { CheckSheetLink, DataTable, Sources } from './data-table.js';

const ROWS: readonly ProcessRow[] = Object.values(PROCESS_ROWS);

/** Minutes in boiling water by altitude; the band of this kitchen is marked. */
export function ProcessingMinutes() {
  const formats = useFormats();
  const { kitchen, units } = usePreferences();
  const { altitude_m } = kitchen;
  const checkedBy = useCheckedBy();
  const band = processBand(altitude_m);
  const ownColumn = band === null ? undefined : PROCESS_BANDS.indexOf(band) + 1;
  const signedBy = (row: ProcessRow): string => {
    const check = PROCESS_CHECKS.find(({ id }) => id === row.id);
    return check ? checkedBy(check) : '';
  };
  return (
    <section aria-label="Processing minutes" className="panel p-5">
      <h2 className="text-xl">Processing minutes</h2>
      <p className="mt-1 max-w-prose text-soft">
        In boiling water, from a full rolling boil with an inch of water over the jars; from zero
        again if the boil stops. Where steam is allowed its times are the same, from full steam for
        your altitude. The altitude you state decides, nothing else.
        {altitude_m !== undefined &&
          band === null &&
          ' Above 10,000 ft (3,048 m) there is no tested time.'}
        {altitude_m === undefined && ' Enter your altitude at Kitchen and your column is marked.'}
      </p>
      <DataTable
        name="Processing minutes by altitude"
        head={[
          'in the jars',
          ...bandWords(units),
          'jars up to',
          'headspace',
          'steam',
          'checked by',
        ]}
        ownColumn={ownColumn}
        rows={ROWS.map((row) => ({
          key: row.id,
          cells: [
            capital(row.name),
            ...row.minutes.map((minutes) => `${minutes} min`),
            row.jarName,
            formats.headspace(row.headspace_mm),
            row.steam ? 'yes' : 'no',
            signedBy(row),
          ],
        }))}
      />
      <p className="mt-3">
        Pre-sterilised means boiled empty: 10 minutes, and 1 more for each 1,000 ft
        {altitude_m !== undefined && `; here ${sterilisingMinutes(altitude_m)} minutes`}.
      </p>
      <Sources sources={ROWS.map(({ source }) => source)} />
      <CheckSheetLink />
      <p className="mt-1 text-sm text-soft">
        Your extension service or food authority and its current tables have the last word.
      </p>
    </section>
  );
}
