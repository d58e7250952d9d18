import { useEffect, useRef, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';

interface DataTableProps {
  /** What it holds, for whoever listens. */
  readonly name: string;
  readonly head: readonly string[];
  readonly rows: readonly {
    readonly key: string;
    readonly cells: readonly ReactNode[];
    /** Of this kitchen: marked by more than colour. */
    readonly isOwn?: boolean;
  }[];
  /** The column of this kitchen, from 0. */
  readonly ownColumn?: number | undefined;
}

/** A figure or a span of two is not broken over lines. */
const SHORT = 12;
const isShort = (cell: ReactNode): boolean => typeof cell === 'string' && cell.length <= SHORT;
/** Words are not squeezed into a column of single ones. */
const widthOf = (cell: ReactNode): string => (isShort(cell) ? 'whitespace-nowrap' : 'min-w-36');

/** A table to look things up in; what is this kitchen's is marked. */
export function DataTable({ name, head, rows, ownColumn }: DataTableProps) {
  const box = useRef<HTMLDivElement>(null);
  // Where it is wider than the screen, the column of this kitchen is pushed into sight.
  useEffect(() => {
    const column = box.current?.querySelectorAll<HTMLElement>('thead th')[ownColumn ?? 0];
    if (box.current && column)
      box.current.scrollLeft = column.offsetLeft + column.offsetWidth - box.current.clientWidth;
  }, [ownColumn]);
  // What was searched for comes into sight, and is marked.
  const find = useSearchParams()[0].get('find');
  useEffect(() => {
    if (find === null) return;
    const row = [...(box.current?.querySelectorAll<HTMLElement>('tbody tr') ?? [])].find(
      ({ dataset }) => dataset.key === find,
    );
    row?.scrollIntoView({ block: 'center' });
  }, [find]);
  const own = (i: number): string => (i === ownColumn ? 'bg-base-300 font-semibold' : '');
  return (
    // A wide table is pushed sideways, by key too.
    <div ref={box} className="overflow-x-auto" role="region" aria-label={name} tabIndex={0}>
      <table className="w-full border-collapse text-left tabular-nums">
        <thead>
          <tr className="border-b border-line text-sm text-soft">
            {head.map((each, i) => (
              <th key={each} scope="col" className={`px-2 py-2 align-bottom font-normal ${own(i)}`}>
                {each}
                {i === ownColumn && <span className="block">here</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, cells, isOwn = false }) => (
            <tr
              key={key}
              data-key={key}
              aria-current={key === find || undefined}
              className={`border-b border-line ${isOwn || key === find ? 'bg-base-300 font-semibold' : ''}`}
            >
              {cells.map((cell, i) =>
                i === 0 ? (
                  <th
                    key={i}
                    scope="row"
                    // Stays in sight while the figures are pushed sideways.
                    className={`sticky left-0 px-2 py-2 font-semibold ${isOwn || key === find ? 'bg-base-300' : 'bg-base-100'} ${widthOf(cell)}`}
                  >
                    {cell}
                  </th>
                ) : (
                  <td key={i} className={`px-2 py-2 ${widthOf(cell)} ${own(i)}`}>
                    {cell}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Where the figures of a table come from. */
export const Sources = ({ sources }: { readonly sources: readonly string[] }) => (
  <p className="mt-3 text-sm text-soft">Source: {[...new Set(sources)].join('; ')}.</p>
);

/** Where the rows of a table are held against one's own, and signed. */
export const CheckSheetLink = () => (
  <p className="mt-1 text-sm text-soft">
    What nobody checked is from memory or published as its source says. Hold it against your own
    printed tables at the{' '}
    <Link to="/kitchen/tables" className="link">
      check sheet
    </Link>
    .
  </p>
);
