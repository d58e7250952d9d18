import { useEffect, useRef, type ReactNode } from 'react';
import { NavLink } from 'react-router';

/** A page of a station that has several. */
export interface StationPage {
  /** Last part of its address. */
  readonly to: string;
  readonly name: string;
  readonly shown: ReactNode;
}

interface SideNavProps {
  /** What the list is called to who hears it: "Pages of the kitchen". */
  readonly name: string;
  /** Address of the station: "/kitchen". */
  readonly station: string;
  readonly pages: readonly StationPage[];
  readonly open: StationPage | undefined;
  readonly children: ReactNode;
}

/** So much of the page before it stays in sight, px. */
const EDGE_PX = 40;

/** Pages of a station beside the open one; where it is narrow, in a row over it. */
export function SideNav({ name, station, pages, open, children }: SideNavProps) {
  const row = useRef<HTMLElement>(null);
  // A row may be wider than the screen: what is open is pushed into sight.
  useEffect(() => {
    const link = row.current?.querySelector<HTMLElement>('[aria-current]');
    if (row.current && link)
      row.current.scrollLeft = link.offsetLeft - row.current.offsetLeft - EDGE_PX;
  }, [open]);
  return (
    <div className="grid gap-4 lg:grid-cols-[190px_minmax(0,1fr)] lg:gap-6 print:block">
      <nav
        ref={row}
        aria-label={name}
        className="-mx-4 overflow-x-auto px-4 sm:-mx-6 sm:px-6 lg:m-0 lg:p-0 print:hidden"
      >
        <ul className="flex gap-1 lg:flex-col">
          {pages.map((page) => (
            <li key={page.to}>
              <NavLink
                to={`${station}/${page.to}`}
                aria-current={page === open ? 'page' : undefined}
                className={`flex min-h-[44px] items-center rounded-[10px] px-3 whitespace-nowrap ${page === open ? 'bg-base-300 font-semibold' : 'text-soft hover:text-base-content'}`}
              >
                {page.name}
              </NavLink>
            </li>
          ))}
        </ul>
      </nav>
      {children}
    </div>
  );
}
