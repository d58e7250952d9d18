import type { ReactNode } from 'react';
import { TriangleAlert, Info } from 'lucide-react';

interface NoticeProps {
  readonly title: string;
  readonly tone?: 'plain' | 'care';
  readonly children?: ReactNode;
  readonly actions?: ReactNode;
}

/** One thing to know or to do, in the flow of the page. */
export function Notice({ title, tone = 'plain', children, actions }: NoticeProps) {
  const Icon = tone === 'care' ? TriangleAlert : Info;
  return (
    <section
      className="rounded-[14px] border border-secondary/50 p-4"
      style={{ background: 'var(--notice)' }}
    >
      <h3 className="flex items-start gap-2 text-lg">
        <Icon aria-hidden="true" className="mt-0.5 size-5 shrink-0 text-watch" />
        {title}
      </h3>
      {children !== undefined && <div className="mt-1 leading-snug">{children}</div>}
      {actions !== undefined && <div className="mt-3 flex flex-wrap gap-2">{actions}</div>}
    </section>
  );
}
