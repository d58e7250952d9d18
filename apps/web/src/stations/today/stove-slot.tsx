import type { CSSProperties, ReactNode } from 'react';
import { Link } from 'react-router';

/** One place on the stove: its picture on the hob, its figures beside it, and what comes next below. */
export function Slot({
  style,
  picture,
  children,
  next,
}: {
  readonly style?: CSSProperties;
  readonly picture: ReactNode;
  readonly children: ReactNode;
  readonly next?: ReactNode;
}) {
  return (
    <li className="flex flex-col" style={style}>
      <div className="flex flex-1 items-end gap-3">
        <div className="w-[44%] max-w-[230px] shrink-0">{picture}</div>
        <div className="min-w-0 flex-1 pb-3">{children}</div>
      </div>
      <div aria-hidden="true" className="h-2.5 rounded bg-base-300" />
      <p className="min-h-12 px-2 pt-1.5 pb-4 leading-snug">{next}</p>
    </li>
  );
}

interface FiguresProps {
  readonly to: string;
  readonly title: string;
  readonly large: string;
  readonly children: ReactNode;
}

/** A batch by its name, what is left of its time, and where it stands. */
export const Figures = ({ to, title, large, children }: FiguresProps) => (
  <Link to={to} className="block rounded-lg hover:underline">
    <span className="block leading-tight text-soft">{title}</span>
    <span className="display block text-[27px] leading-tight">{large}</span>
    <span className="block leading-snug">{children}</span>
  </Link>
);
