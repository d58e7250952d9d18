import axe, { type AxeResults, type RunOptions } from 'axe-core';
import type { Page } from '@playwright/test';

/** What of a page is looked at, and by which rules. */
export interface AxeScope {
  /** CSS selector of the part of the page; the whole of it without one. */
  readonly within?: string;
  /** Only these rules of axe; all without them. */
  readonly onlyRules?: readonly string[];
  readonly leftOut?: readonly string[];
}

/**
 * What axe finds on the page as it stands. Axe is put into a document once, however often it is
 * asked there: reading it in takes longer than most pages take to look at. Frames are not entered;
 * the app has none.
 */
export async function axeResults(
  page: Page,
  { within = 'html', onlyRules, leftOut = [] }: AxeScope = {},
): Promise<AxeResults> {
  const options: RunOptions = {
    // What passes is not worth describing.
    resultTypes: ['violations', 'incomplete'],
    rules: Object.fromEntries(leftOut.map((rule) => [rule, { enabled: false }])),
    ...(onlyRules && { runOnly: { type: 'rule', values: [...onlyRules] } }),
  };
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(
    ([selector, how]) => (window as unknown as { axe: typeof axe }).axe.run(selector, how),
    [within, options] as const,
  );
}

/** A line a rule, with where on the page it is broken. */
export const axeLines = (broken: AxeResults['violations']): string[] =>
  broken.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(', ')}`);

/** What is wrong on the page as it stands. */
export const axeViolations = async (page: Page, scope?: AxeScope): Promise<string[]> =>
  axeLines((await axeResults(page, scope)).violations);
