import type { ReactNode } from 'react';
import { useTitle } from './title.js';

interface PageProps {
  readonly title: string;
  readonly lead?: ReactNode;
  readonly actions?: ReactNode;
  /** It is drawn over the whole width. */
  readonly isWide?: boolean;
  readonly children: ReactNode;
}

/** A page outside a batch. */
export function Page({ title, lead, actions, isWide = false, children }: PageProps) {
  useTitle(title);
  return (
    <div className={`mx-auto w-full px-4 py-4 sm:px-6 ${isWide ? 'max-w-[1500px]' : 'max-w-5xl'}`}>
      <header className="mb-5 flex flex-col gap-3 sm:flex-row sm:flex-wrap sm:items-end sm:justify-between">
        <div>
          <h1 className="text-3xl sm:text-[34px]">{title}</h1>
          {lead !== undefined && <p className="mt-1 text-soft">{lead}</p>}
        </div>
        {actions !== undefined && <div className="print:hidden">{actions}</div>}
      </header>
      {children}
    </div>
  );
}

/** Nothing here yet, and what to do about it. */
export function Empty({
  title,
  children,
  action,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly action?: ReactNode;
}) {
  return (
    <div className="rounded-[14px] border border-dashed border-line px-6 py-10 text-center">
      <p className="display text-xl">{title}</p>
      <p className="mx-auto mt-1 max-w-md text-soft">{children}</p>
      {action !== undefined && <div className="mt-4 flex justify-center">{action}</div>}
    </div>
  );
}

/** As high as the screen: what stands below it does not jump once its place is taken. */
export const Loading = () => (
  <p role="status" className="min-h-dvh px-6 py-10 text-center text-soft">
    Fetching from the kitchen…
  </p>
);
