import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { TableCheckBody } from '@idle-kettle/contract';
import { now } from '../../data/clock.js';
import { Section } from './section.js';
import {
  CHECKED_TABLES,
  PROCESS_CHECKS,
  signedRow,
  type CheckedRow,
  type CheckedTable,
} from '../../batch/checked-rows.js';
import { useGear } from '../../batch/use-gear.js';
import * as dates from '../../ui/dates.js';
import { isoDay } from '../../data/iso-day.js';

/** How many rows of a table are signed. */
function useSigned(): (rows: readonly CheckedRow[]) => number {
  const { gear } = useGear();
  return (rows) => rows.filter((row) => signedRow(row, gear.tableChecks)).length;
}

/**
 * Every table row by row, to hold against one’s own printed tables and sign. What nobody signed is
 * from memory, and says so. The process tables come first: somebody can be hurt by them.
 */
export function TableChecks() {
  const signed = useSigned();
  return (
    <>
      <Section
        title="Process tables"
        lead={`Minutes in boiling water by altitude, written down from memory of the published tables. Hold each row against your own printed tables, and sign it. ${signed(PROCESS_CHECKS)} of ${PROCESS_CHECKS.length} rows are signed.`}
      >
        <Rows rows={PROCESS_CHECKS} unsigned="From memory." />
      </Section>
      <Section
        title="The other tables"
        lead="What everything else is computed with: hold it against the tables you trust, and sign what agrees."
      >
        {CHECKED_TABLES.map((table) => (
          <OtherTable key={table.title} table={table} />
        ))}
      </Section>
    </>
  );
}

/** A table whose rows are drawn once it is opened: some have more than a hundred. */
function OtherTable({ table: { title, rows } }: { readonly table: CheckedTable }) {
  const signed = useSigned();
  const [isOpen, setOpen] = useState(false);
  return (
    <details
      className="border-b border-line py-2 last:border-b-0"
      onToggle={({ currentTarget }) => setOpen(currentTarget.open)}
    >
      <summary className="min-h-[44px] cursor-pointer content-center">
        <span className="text-lg font-semibold">{title}</span>{' '}
        <span className="text-soft">
          {signed(rows)} of {rows.length} signed
        </span>
      </summary>
      {isOpen && <Rows rows={rows} unsigned="Not checked yet." />}
    </details>
  );
}

interface RowsProps {
  readonly rows: readonly CheckedRow[];
  /** What is said of a row that nobody signed. */
  readonly unsigned: string;
}

function Rows({ rows, unsigned }: RowsProps) {
  const { gear } = useGear();
  return (
    <ul>
      {rows.map((row) => (
        <TableRow
          key={row.id}
          row={row}
          unsigned={unsigned}
          check={signedRow(row, gear.tableChecks)}
        />
      ))}
    </ul>
  );
}

interface TableRowProps {
  readonly row: CheckedRow;
  readonly unsigned: string;
  readonly check: TableCheckBody | undefined;
}

function TableRow({ row, unsigned, check }: TableRowProps) {
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
      <p className="font-semibold">{row.name}</p>
      <dl className="mt-1 grid grid-cols-2 gap-x-4 sm:grid-cols-4">
        {row.figures.map(([column, figure]) => (
          <div key={column}>
            <dt className="text-sm text-soft">{column}</dt>
            <dd>{figure}</dd>
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
          {unsigned}{' '}
          <button
            type="button"
            className="link min-h-[44px]"
            aria-expanded={signing}
            onClick={() => setSigning(!signing)}
          >
            {signing ? 'Cancel' : 'It is the same in my table'}
            <span className="sr-only"> for {row.name}</span>
          </button>
        </p>
      )}
      {signing && !check && (
        <SignForm
          onSign={(against, by) => {
            keep({ row: row.id, figures: [...row.values], against, by, on: isoDay(now()) });
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
