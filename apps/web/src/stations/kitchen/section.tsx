import { Plus, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';

interface SectionProps {
  readonly title: string;
  readonly lead: ReactNode;
  readonly children?: ReactNode;
  readonly add?: { readonly words: string; readonly act: () => void } | undefined;
}

/** One part of the kitchen. */
export function Section({ title, lead, children, add }: SectionProps) {
  return (
    <section aria-label={title} className="panel p-5">
      <h2 className="text-xl">{title}</h2>
      <p className="mt-1 max-w-prose text-soft">{lead}</p>
      {children}
      {add && (
        <button type="button" className="btn mt-3" onClick={add.act}>
          <Plus aria-hidden="true" className="size-5" /> {add.words}
        </button>
      )}
    </section>
  );
}

/** One thing of a list, with its fields and a way out. */
export function Entry({
  children,
  name,
  onRemove,
}: {
  readonly children: ReactNode;
  readonly name: string;
  readonly onRemove: () => void;
}) {
  return (
    <li className="flex items-start gap-2 border-b border-line py-3 last:border-b-0">
      <div className="flex min-w-0 flex-1 flex-wrap items-start gap-3">{children}</div>
      <button
        type="button"
        className="btn btn-ghost btn-square mt-6 shrink-0"
        aria-label={`Delete ${name}`}
        onClick={onRemove}
      >
        <Trash2 aria-hidden="true" className="size-5" />
      </button>
    </li>
  );
}
