import { useParams } from 'react-router';
import { useKitchens } from '../../data/kitchens.js';
import { Notice } from '../../ui/notice.js';
import { Loading, Page } from '../../ui/page.js';
import { SideNav, type StationPage } from '../../ui/side-nav.js';
import { Canners } from './canners.js';
import { Files } from './files.js';
import { Instruments } from './instruments.js';
import { JarStock } from './jar-stock.js';
import { KeysAndTheme } from './keys-and-theme.js';
import { Lessons } from './lessons.js';
import { Pectins } from './pectins.js';
import { Place } from './place.js';
import { Supplies } from './supplies.js';
import { TableChecks } from './table-checks.js';
import { Thermometers } from './thermometers.js';
import { Burners, Vessels } from './vessels.js';

/** The pages of the kitchen, in order. */
const PAGES: readonly StationPage[] = [
  { to: 'place', name: 'Place and units', shown: <Place /> },
  { to: 'thermometers', name: 'Thermometers', shown: <Thermometers /> },
  {
    to: 'pans',
    name: 'Pans and burners',
    shown: (
      <>
        <Vessels />
        <Burners />
      </>
    ),
  },
  {
    to: 'jars',
    name: 'Jars and canners',
    shown: (
      <>
        <JarStock />
        <Canners />
      </>
    ),
  },
  { to: 'pectin', name: 'Pectin', shown: <Pectins /> },
  { to: 'supplies', name: 'Supplies and prices', shown: <Supplies /> },
  { to: 'instruments', name: 'Instruments', shown: <Instruments /> },
  { to: 'learned', name: 'Learned', shown: <Lessons /> },
  { to: 'data', name: 'Your data', shown: <Files /> },
  { to: 'tables', name: 'Check sheet', shown: <TableChecks /> },
  { to: 'screen', name: 'Keys and theme', shown: <KeysAndTheme /> },
];

/** What stands in this kitchen, a page a subject. */
export function Kitchen() {
  const { page = 'place' } = useParams();
  const kitchens = useKitchens();
  const hasKitchen = kitchens.data?.[0] !== undefined;
  const open = PAGES.find(({ to }) => to === page) ?? PAGES[0];
  return (
    <Page title="Kitchen" lead="Everything is computed for this place and what is in it." isWide>
      <SideNav name="Pages of the kitchen" station="/kitchen" pages={PAGES} open={open}>
        <div className="flex min-w-0 max-w-4xl flex-col gap-4">
          {kitchens.isPending && !kitchens.isError && <Loading />}
          {kitchens.isError && !hasKitchen && (
            <Notice title="The kitchen cannot be fetched" tone="care">
              The server does not answer. It is tried again when you come back to this page.
            </Notice>
          )}
          {hasKitchen && open?.shown}
        </div>
      </SideNav>
    </Page>
  );
}
