import { useQuery } from '@tanstack/react-query';
import { Notice } from '../../ui/notice.js';
import { Page } from '../../ui/page.js';

/** Packages under one licence, with its text. */
export interface NoticeGroup {
  readonly licence: string;
  readonly text: string;
  /** Each with its version. */
  readonly packages: readonly string[];
}

/** Typefaces first: they are what one sees. */
const FONTS = /^@fontsource/;
const hasFonts = ({ packages }: NoticeGroup): boolean => packages.some((name) => FONTS.test(name));

/** In the order they are shown. */
export const inOrder = (groups: readonly NoticeGroup[]): readonly NoticeGroup[] =>
  groups.toSorted(
    (a, b) =>
      Number(hasFonts(b)) - Number(hasFonts(a)) ||
      (a.packages[0] ?? '').localeCompare(b.packages[0] ?? ''),
  );

async function fetchNotices(): Promise<readonly NoticeGroup[]> {
  const answer = await fetch('/notices.json');
  if (!answer.ok || !answer.headers.get('content-type')?.includes('json'))
    throw new Error('there are no notices here');
  return (await answer.json()) as readonly NoticeGroup[];
}

/** The typefaces and libraries the product is made with, and what their makers ask to be passed on. */
export function Notices() {
  const { data, isError } = useQuery({ queryKey: ['notices'], queryFn: fetchNotices });
  const count = data?.reduce((sum, { packages }) => sum + packages.length, 0);
  return (
    <Page
      title="Made with"
      lead={
        count === undefined
          ? 'Typefaces and libraries of others'
          : `${count} typefaces and libraries of others, each with its licence`
      }
    >
      {isError && (
        <Notice title="Not here at the moment">
          The list is made when the app is built, and fetched from the server when it is opened.
        </Notice>
      )}
      {data &&
        inOrder(data).map(({ licence, text, packages }) => (
          <details key={packages[0]} className="border-b border-line py-1">
            <summary className="min-h-[44px] cursor-pointer py-2.5">
              {packages.slice(0, 3).join(', ')}
              {packages.length > 3 && ` and ${packages.length - 3} more`}
              <span className="ml-2 text-sm text-soft">{licence}</span>
            </summary>
            {packages.length > 3 && <p className="text-sm text-soft">{packages.join(', ')}</p>}
            <pre className="overflow-x-auto py-2 text-sm whitespace-pre-wrap">
              {text === '' ? `It ships no text of its own; its licence is ${licence}.` : text}
            </pre>
          </details>
        ))}
    </Page>
  );
}
