import { Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { Page } from '../../ui/page.js';
import { SideNav, type StationPage } from '../../ui/side-nav.js';
import { Cautions } from './cautions.js';
import { Convert } from './convert.js';
import { Fruits } from './fruits.js';
import { Jars } from './jars.js';
import { ProcessingMinutes } from './processing-minutes.js';
import { Sugars } from './sugars.js';
import { WhereToStop } from './where-to-stop.js';

/** The tables, in order. */
const PAGES: readonly StationPage[] = [
  { to: 'stop', name: 'Where to stop', shown: <WhereToStop /> },
  { to: 'minutes', name: 'Processing minutes', shown: <ProcessingMinutes /> },
  { to: 'fruit', name: 'Fruit', shown: <Fruits /> },
  { to: 'convert', name: 'Convert', shown: <Convert /> },
  { to: 'sugars', name: 'Sugars and pectins', shown: <Sugars /> },
  { to: 'jars', name: 'Jars and headspace', shown: <Jars /> },
  { to: 'cautions', name: 'Cautions', shown: <Cautions /> },
];

/** What one looks up, from the same figures everything is computed with. */
export function Tables() {
  const { page = 'stop' } = useParams();
  const open = PAGES.find(({ to }) => to === page) ?? PAGES[0];
  return (
    <Page
      title="Tables"
      isWide
      lead="The figures everything here is computed with."
      actions={
        <span className="flex flex-wrap gap-2">
          <Link to="/glossary" className="btn">
            Glossary
          </Link>
          <button type="button" className="btn" onClick={() => window.print()}>
            <Printer aria-hidden="true" className="size-5" /> Print
          </button>
        </span>
      }
    >
      <SideNav name="Pages of the tables" station="/tables" pages={PAGES} open={open}>
        <div className="min-w-0">{open?.shown}</div>
      </SideNav>
    </Page>
  );
}
