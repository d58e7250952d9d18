import {
  BookText,
  GraduationCap,
  House,
  Moon,
  NotebookText,
  Refrigerator,
  Search,
  Soup,
  Sun,
  Table2,
  Zap,
  type LucideIcon,
} from 'lucide-react';
import { NavLink, Outlet, ScrollRestoration } from 'react-router';
import { setTheme, useTheme } from '../ui/theme.js';
import { ClockRow } from './clock-row.js';
import { Shortcuts } from './shortcuts.js';
import { openSearch } from './search-open.js';
import { StatusRows } from './status-rows.js';

interface Room {
  readonly to: string;
  readonly name: string;
  readonly Icon: LucideIcon;
  readonly isWideOnly?: boolean;
}

const ROOMS: readonly Room[] = [
  { to: '/', name: 'Today', Icon: Soup },
  { to: '/quick', name: 'Quick', Icon: Zap },
  { to: '/formulas', name: 'Formulas', Icon: BookText },
  { to: '/logbook', name: 'Logbook', Icon: NotebookText },
  { to: '/shelf', name: 'Shelf', Icon: Refrigerator },
  // A phone has no room for these; its search does.
  { to: '/practice', name: 'Practice', Icon: GraduationCap, isWideOnly: true },
  { to: '/tables', name: 'Tables', Icon: Table2, isWideOnly: true },
  { to: '/kitchen', name: 'Kitchen', Icon: House },
];

const linkClass = ({ isActive }: { isActive: boolean }): string =>
  `flex min-h-[58px] flex-1 flex-col items-center justify-center gap-1 rounded-xl text-[12px] md:w-full md:text-[13px] md:flex-none md:py-2 ${isActive ? 'bg-base-100 font-semibold' : 'text-soft hover:text-base-content'}`;

/** The rooms of the house at the left, or at the bottom of a phone. */
export function Shell() {
  const theme = useTheme();
  const other = theme === 'day' ? 'night' : 'day';
  return (
    <div className="min-h-dvh pb-[66px] md:pb-0 md:pl-[88px] print:p-0">
      <a
        href="#main"
        className="btn btn-primary fixed top-2 left-2 z-50 -translate-y-20 focus:translate-y-0"
      >
        Skip to the bench
      </a>
      <nav
        aria-label="Screens"
        className="print:hidden fixed inset-x-0 bottom-0 z-30 flex gap-1 border-t border-line bg-base-300 p-1 md:inset-y-0 md:right-auto md:w-[88px] md:flex-col md:border-t-0 md:border-r md:p-2"
      >
        <Mark />
        <button
          type="button"
          onClick={() => openSearch(true)}
          className={`${linkClass({ isActive: false })} cursor-pointer max-md:order-last`}
        >
          <Search aria-hidden="true" className="size-6" strokeWidth={1.8} />
          Search
        </button>
        {ROOMS.map(({ to, name, Icon, isWideOnly }) => (
          <NavLink
            key={to}
            to={to}
            end={to === '/'}
            className={(state) => `${linkClass(state)} ${isWideOnly ? 'max-md:hidden' : ''}`}
          >
            <Icon aria-hidden="true" className="size-6" strokeWidth={1.8} />
            {name}
          </NavLink>
        ))}
        <button
          type="button"
          onClick={() => setTheme(other)}
          className={`${linkClass({ isActive: false })} hidden cursor-pointer md:mt-auto md:flex`}
          aria-label={`Change to the ${other} theme`}
        >
          {other === 'night' ? (
            <Moon aria-hidden="true" className="size-6" strokeWidth={1.8} />
          ) : (
            <Sun aria-hidden="true" className="size-6" strokeWidth={1.8} />
          )}
          {other === 'night' ? 'Night' : 'Day'}
        </button>
      </nav>
      <Shortcuts />
      {/* A page opened anew starts at its top; back returns to where it was. */}
      <ScrollRestoration getKey={({ pathname, key }) => `${pathname} ${key}`} />
      <StatusRows />
      <ClockRow />
      <main id="main" tabIndex={-1} className="outline-none">
        <Outlet />
      </main>
    </div>
  );
}

/** The pan of fruit, in the colours of the theme. */
const Mark = () => (
  <svg aria-hidden="true" viewBox="0 0 48 48" className="mx-auto mt-2 mb-3 hidden size-11 md:block">
    <path
      d="M7 20a17 15 0 0 1 34 0"
      fill="none"
      stroke="var(--color-secondary)"
      strokeWidth="3.5"
      strokeLinecap="round"
    />
    <path d="M5 20h38l-5 19a4 4 0 0 1-4 3H14a4 4 0 0 1-4-3z" fill="var(--color-primary)" />
    <g fill="var(--color-base-200)">
      <circle cx="18" cy="29" r="2.4" />
      <circle cx="28" cy="27" r="1.8" />
      <circle cx="25" cy="35" r="1.8" />
    </g>
  </svg>
);
