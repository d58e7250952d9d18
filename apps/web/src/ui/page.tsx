import { useEffect, type ReactNode } from 'react';

interface PageProps {
  readonly title: string;
  readonly lead?: ReactNode;
  readonly actions?: ReactNode;
  readonly children: ReactNode;
}

/** A page outside a batch. */
export function Page({ title, lead, actions, children }: PageProps) {
  useTitle(title);
  return (
    <div className="mx-auto w-full max-w-5xl px-4 py-5 sm:px-6">
      <header className="mb-5 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl sm:text-[34px]">{title}</h1>
          {lead !== undefined && <p className="mt-1 text-soft">{lead}</p>}
        </div>
        {actions}
      </header>
      {children}
    </div>
  );
}

export function useTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} · Idle Kettle`;
  }, [title]);
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

export const Loading = () => (
  <p role="status" className="px-6 py-10 text-center text-soft">
    Fetching from the kitchen…
  </p>
);
