import type { ReactNode } from 'react';
import { toast } from 'sonner';
import type { DownloadLink as LinkView } from '@idle-kettle/contract';
import { request } from '../data/api.js';

interface DownloadLinkProps {
  /** A download of the household, such as `/api/household/shelf.csv`. */
  readonly href: string;
  /** The name of the file. */
  readonly name: string;
  readonly className: string;
  readonly children: ReactNode;
}

/**
 * A link to a file of the household. On this machine and over HTTPS the browser says which page
 * asks for it; where it does not, the server gives an address that works once.
 */
export function DownloadLink({ href, name, className, children }: DownloadLinkProps) {
  const open = async (): Promise<void> => {
    try {
      const once = await request<LinkView>('POST', '/household/links', { path: href });
      window.location.assign(once.href);
    } catch {
      toast.error(`${name} could not be fetched`, { description: 'The server does not answer.' });
    }
  };
  return (
    <a
      className={className}
      href={href}
      download={name}
      onClick={(event) => {
        if (window.isSecureContext) return;
        event.preventDefault();
        void open();
      }}
    >
      {children}
    </a>
  );
}
