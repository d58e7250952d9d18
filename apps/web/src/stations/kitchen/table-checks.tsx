import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { PROCESS_BANDS, PROCESS_ROWS, type ProcessRow } from '@idle-kettle/core';
import type { TableCheckBody } from '@idle-kettle/contract';
import { now } from '../../data/clock.js';
import { Section } from './section.js';
import { signedRow } from '../../batch/signed-row.js';
import { useGear } from '../../batch/use-gear.js';
import * as dates from '../../ui/dates.js';
import { isoDay } from '../../data/iso-day.js';

const ROWS: readonly ProcessRow[] = Object.values(PROCESS_ROWS);

/**
 * The process tables row by row, to hold against one\u2019s own printed tables and sign. What nobody
 * signed is from memory, and says so.
 */
export function TableChecks() {
  const { gear } = useGear();
  const checks = gear.tableChecks ?? [];
  const signed = ROWS.filter((row) => signedRow(row, checks)).length;
  return (
    <Section
      title="Process tables"
      lead={`Minutes in boiling water by altitude, written down from memory of the published tables. Hold each row against your own printed tables, and sign it. ${signed} of ${ROWS.length} rows are signed.`}
    >
      <ul>
        {ROWS.map((row) => (
          <TableRow key={row.id} row={row} check={signedRow(row, checks)} />
        ))}
      </ul>
    </Section>
  );
}

interface TableRowProps {
  readonly row: ProcessRow;
  readonly check: TableCheckBody | undefined;
}

function TableRow({ row, check }: TableRowProps) {
  const { change } = useGear();
  const [signing, setSigning] = useState(false);
  const keep = (next: TableCheckBody | undefined): void =>
    change((was) => ({
      ...was,
      tableChecks: [
        ...(was.tableChecks ?? []).filter((each) => each.row !== row.id),
        ...(next ? [next] : []),
      ],
    }));
  return (
    <li className="border-b border-line py-3 last:border-b-0">
      <p className="font-semibold">
        {row.name}, up to the {row.jarName}
      </p>
      <dl className="mt-1 grid grid-cols-2 gap-x-4 sm:grid-cols-4">
        {PROCESS_BANDS.map(({ id, label }, i) => (
          <div key={id}>
            <dt className="text-sm text-soft">{label}</dt>
            <dd>{row.minutes[i]} min</dd>
          </div>
        ))}
      </dl>
      {check ? (
        <p className="mt-1 text-sm">
          Checked against {check.against} on {dates.day(check.on)} by {check.by}.{' '}
          <button type="button" className="link min-h-[44px]" onClick={() => keep(undefined)}>
            Withdraw
          </button>
        </p>
      ) : (
        <p className="mt-1 text-sm text-soft">
          From memory.{' '}
          <button
            type="button"
            className="link min-h-[44px]"
            aria-expanded={signing}
            aria-label={`Check ${row.name}`}
            onClick={() => setSigning(!signing)}
          >
            {signing ? 'Cancel' : 'It is the same in my table'}
          </button>
        </p>
      )}
      {signing && !check && (
        <SignForm
          onSign={(against, by) => {
            keep({
              row: row.id,
              minutes: [...row.minutes],
              against,
              by,
              on: isoDay(now()),
            });
            setSigning(false);
          }}
        />
      )}
    </li>
  );
}

function SignForm({ onSign }: { readonly onSign: (against: string, by: string) => void }) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { against: '', by: '' },
    mode: 'onChange',
  });
  const isWritten = (text: string): boolean => text.trim().length >= 2;
  return (
    <form
      className="mt-1 flex flex-wrap items-end gap-3"
      onSubmit={(event) =>
        void handleSubmit(({ against, by }) => onSign(against.trim(), by.trim()))(event)
      }
    >
      <label className="flex min-w-48 flex-1 flex-col gap-1 text-sm text-soft">
        checked against
        <input
          className="input w-full text-base-content"
          placeholder="title, year, page"
          maxLength={160}
          {...register('against', { validate: isWritten })}
        />
      </label>
      <label className="flex flex-col gap-1 text-sm text-soft">
        by
        <input
          className="input w-40 text-base-content"
          placeholder="your name"
          maxLength={60}
          {...register('by', { validate: isWritten })}
        />
      </label>
      <button type="submit" className="btn" disabled={!formState.isValid}>
        Sign this row
      </button>
    </form>
  );
}
