import { isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { Page } from '../ui/page.js';

export const NotFound = () => (
  <Page title="No such page" lead="There is no page at this address.">
    <Link to="/" className="btn btn-primary">
      Back to today
    </Link>
  </Page>
);

function detailOf(error: unknown): string {
  if (isRouteErrorResponse(error)) return error.statusText;
  return error instanceof Error ? error.message : String(error);
}

/**
 * A screen that failed: what was typed and logged is safe in the outbox, so a reload is the remedy.
 */
export function ScreenFailed() {
  const error = useRouteError();
  const detail = detailOf(error);
  return (
    <Page title="This screen failed" lead="What you typed and logged is saved on this device.">
      <p className="mb-4 text-soft">{detail}</p>
      <button type="button" className="btn btn-primary" onClick={() => window.location.reload()}>
        Load it again
      </button>
    </Page>
  );
}
