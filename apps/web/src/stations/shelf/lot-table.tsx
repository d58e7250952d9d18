import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { LotView } from '@idle-kettle/contract';
import { FILLED_STORAGE_WORDS } from '../../batch/readouts.js';
import { jarName } from '../../ui/jar-picture.js';
import { kindWords } from './lot-groups.js';
import * as dates from '../../ui/dates.js';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});
const column = createColumnHelper<typeof features, LotView>();
const day = (iso: string | null): string => (iso === null ? '' : dates.day(iso));

const COLUMNS = column.columns([
  column.accessor('title', { header: 'Jars of', sortFn: 'alphanumeric' }),
  column.accessor(kindWords, {
    id: 'kind',
    header: 'Kind',
    sortFn: 'alphanumeric',
  }),
  column.accessor(({ size }) => jarName(size, 1), {
    id: 'size',
    header: 'Size',
    sortFn: 'alphanumeric',
  }),
  column.accessor('madeOn', {
    header: 'Made',
    sortFn: 'basic',
    cell: (cell) => day(cell.getValue()),
  }),
  column.accessor(({ place, keptIn }) => keptIn ?? place, {
    id: 'place',
    header: 'Place',
    sortFn: 'alphanumeric',
  }),
  column.accessor(({ keeping }) => FILLED_STORAGE_WORDS[keeping.verdict].word, {
    id: 'storage',
    header: 'Storage',
    sortFn: 'alphanumeric',
  }),
  column.accessor(({ keeping }) => keeping.bestBefore ?? '', {
    id: 'best',
    header: 'Best before',
    sortFn: 'basic',
    cell: (cell) => day(cell.getValue() === '' ? null : cell.getValue()),
  }),
  column.accessor('count', { header: 'Left', sortFn: 'basic' }),
]);

const ARIA_SORT = { asc: 'ascending', desc: 'descending' } as const;

interface LotTableProps {
  readonly name: string;
  readonly lots: readonly LotView[];
  readonly selected: string | undefined;
  readonly onSelect: (id: string) => void;
}

/** Jars by lot as a table, sorted by any of its columns. */
export function LotTable({ name, lots, selected, onSelect }: LotTableProps) {
  const table = useTable({ features, columns: COLUMNS, data: lots });
  return (
    <div className="panel overflow-x-auto">
      <table aria-label={name} className="w-full text-left">
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id}>
              {group.headers.map((header) => {
                const sorted = header.column.getIsSorted();
                const Arrow = sorted === 'desc' ? ArrowDown : ArrowUp;
                return (
                  <th
                    key={header.id}
                    scope="col"
                    aria-sort={sorted === false ? 'none' : ARIA_SORT[sorted]}
                    className="p-0"
                  >
                    <button
                      type="button"
                      className="flex min-h-[44px] w-full cursor-pointer items-center gap-1 px-3 text-sm text-soft hover:text-base-content"
                      onClick={header.column.getToggleSortingHandler()}
                    >
                      <table.FlexRender header={header} />
                      {sorted !== false && <Arrow aria-hidden="true" className="size-4" />}
                    </button>
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <tr
              key={row.id}
              className={`border-t border-line ${row.original.id === selected ? 'bg-base-300' : ''}`}
            >
              {row.getAllCells().map((cell, i) => (
                <td key={cell.id} className="px-3 py-1 whitespace-nowrap">
                  {i === 0 ? (
                    <button
                      type="button"
                      aria-pressed={row.original.id === selected}
                      className="min-h-[44px] cursor-pointer text-left font-semibold whitespace-normal hover:underline"
                      onClick={() => onSelect(row.original.id)}
                    >
                      {row.original.title}
                    </button>
                  ) : (
                    <table.FlexRender cell={cell} />
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
