import { expect, test, type Page } from '@playwright/test';
import { axeLines, axeResults, axeViolations, type AxeScope } from './support/accessibility.js';
import { KettleServer } from './support/kettle-server.js';
import { SCREEN_SIZES } from './support/screen-sizes.js';

let kettle: KettleServer;
let onHeat: string;
let kept: string;
/** A batch whose lids are to be pressed. */
let jarred: string;
/** A batch that is not on the heat yet. */
const COLD = '5b0f3c0a-6d0e-4c5b-9a53-2f4f0f0a1b2d';
/**
 * All views are looked at in one page: on two cores, fetching and reading the app anew takes longer
 * than looking.
 */
let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await (await browser.newContext()).newPage();
  await page.addInitScript(() => localStorage.setItem('kettle.theme', 'day'));
  await page.addInitScript(countShifts);
  kettle = await KettleServer.begin('look', { demo: true });
  const batches = await kettle.get<{ id: string; phase: string; title: string }[]>('/api/batches');
  onHeat = batches.find((batch) => batch.phase === 'on-heat')?.id ?? '';
  jarred = batches.find((batch) => batch.title === 'Blackcurrant jam')?.id ?? '';
  kept = (await kettle.get<{ id: string }[]>('/api/formulas'))[0]?.id ?? '';
  const document = {
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Tomato jam',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: '340-g' }],
    lines: [
      { amount: '2 kg', ingredient: 'tomato' },
      { amount: '1.2 kg', ingredient: 'white-sugar' },
    ],
  };
  await kettle.put(`/api/batches/${COLD}`, { document, revision: 0 });
});
test.beforeEach(() => page.setViewportSize({ width: 1280, height: 800 }));
test.afterEach(() => void page.removeAllListeners('request'));
test.afterAll(async () => {
  await page.context().close();
  await kettle.end();
});

const VIEWS = [
  ['today', () => '/', 'On the stove'],
  ['quick', () => '/quick', 'Nothing is saved until you say so'],
  ['formulas', () => '/formulas', 'Blackcurrant jam'],
  ['formula', () => `/formulas/${kept}`, 'What comes of it here'],
  ['card', () => `/formulas/${kept}/card`, 'It burns at over'],
  ['shelf', () => '/shelf', 'Pear butter'],
  ['kitchen', () => '/kitchen', 'Weights and volumes'],
  ['thermometers', () => '/kitchen/thermometers', 'Add a thermometer'],
  ['pans and burners', () => '/kitchen/pans', 'Burners'],
  ['jars and canners', () => '/kitchen/jars', 'add a size'],
  ['pectin of the kitchen', () => '/kitchen/pectin', 'pectin'],
  ['supplies', () => '/kitchen/supplies', 'Supplies and prices'],
  ['shopping', () => '/shopping', 'To buy'],
  ['labels of the shelf', () => '/shelf/labels', 'Tick all shown'],
  ['instruments of the kitchen', () => '/kitchen/instruments', 'Instruments'],
  ['what was learned', () => '/kitchen/learned', 'Learned from your boils'],
  ['data', () => '/kitchen/data', 'Your data'],
  ['check sheet', () => '/kitchen/tables', 'Process tables'],
  ['keys and theme', () => '/kitchen/screen', 'Single keys'],
  ['where to stop', () => '/tables/stop', 'water boils'],
  ['processing minutes', () => '/tables/minutes', 'jars up to'],
  ['fruit table', () => '/tables/fruit', 'lost in preparing, %'],
  ['convert', () => '/tables/convert', '3 tbsp honey'],
  ['sugars', () => '/tables/sugars', 'in place of sugar'],
  ['jars table', () => '/tables/jars', 'jam in it'],
  ['cautions', () => '/tables/cautions', 'At the stove'],
  ['glossary', () => '/glossary#setting-point', 'Setting point'],
  ['fruit', () => `/batches/${onHeat}/fruit`, 'On the table'],
  ['balance', () => `/batches/${onHeat}/balance`, 'Where the weight goes'],
  ['balance of a cold low-acid pan', () => `/batches/${COLD}/balance`, 'Steer it'],
  ['plan', () => `/batches/${COLD}/plan`, 'Equipment'],
  ['boil', () => `/batches/${onHeat}/boil`, 'Tap the reading'],
  ['jar', () => `/batches/${onHeat}/jar`, 'Jars filled'],
  ['batch shelf', () => `/batches/${onHeat}/shelf`, 'No jars from this batch yet'],
  ['logbook', () => '/logbook', 'Redcurrant jelly'],
  ['story', () => `/logbook/${jarred}`, 'Opened and tasted'],
  ['year', () => '/shelf/year', 'Fruit waiting in the freezer'],
  ['labels', () => `/batches/${jarred}/labels`, 'Save the PDF'],
  ['practice', () => '/practice', 'The pan is too small'],
  ['practice pan', () => '/practice/first-jam?pan=4711', 'Put a spoonful on the plate'],
  ['own batch as a practice pan', () => `/practice/again/${jarred}`, 'Put a spoonful on the plate'],
  ['rescue', () => `/rescue/${jarred}`, 'Look at the jar first'],
  ['seals', () => `/batches/${jarred}/jar`, 'Press the middle of each lid'],
] as const;

async function open(path: string, text: string): Promise<void> {
  await page.goto(kettle.address + path);
  await expect(page.getByText(text).first()).toBeVisible();
}

/** Colours on their way from one theme to the other are neither's. */
const settled = (): Promise<unknown> =>
  page.evaluate(() =>
    Promise.allSettled(document.getAnimations().map((animation) => animation.finished)),
  );

/** What axe finds on the page as it stands, and where it could not decide about contrast. */
async function findings(scope?: AxeScope): Promise<string[]> {
  // A page that opens at one of its parts has others under the bar of clocks.
  await page.evaluate(() => window.scrollTo(0, 0));
  await settled();
  const { violations, incomplete } = await axeResults(page, scope);
  // The arrow of a select is a background picture, which axe cannot see through; its colours are
  // those of the inputs.
  const undecided = incomplete
    .filter(({ id }) => id === 'color-contrast')
    .flatMap(({ nodes }) =>
      nodes
        .filter((node) => !node.html.startsWith('<select'))
        // Figures of the gel map: ink and soft ink on the panel or its well, and copper with a halo
        // of the panel.
        .filter((node) => !node.html.startsWith('<text'))
        .map((node) => `contrast undecided: ${node.target.join(' ')}`),
    );
  return [...axeLines(violations), ...undecided];
}

/** Controls that are shown and lower than a thumb. */
const tooLow = (): Promise<string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'button, select, input:not([type=checkbox], [type=radio], .sr-only), nav a, a.btn',
      ),
    ]
      .filter(
        (element) => element.offsetParent !== null && element.getBoundingClientRect().bottom > 0,
      )
      .filter((element) => element.getBoundingClientRect().height < 43.5)
      .map(
        (element) =>
          `${element.tagName} ${element.getAttribute('aria-label') ?? element.textContent}`,
      ),
  );

/** Adds up, on the page, what moved without having been asked to. */
const countShifts = (): void => {
  const sum = window as unknown as { layoutShift: number };
  sum.layoutShift = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries() as unknown as {
      value: number;
      hadRecentInput: boolean;
    }[])
      if (!entry.hadRecentInput) sum.layoutShift += entry.value;
  }).observe({ type: 'layout-shift', buffered: true });
};
const layoutShift = (): Promise<number> =>
  page.evaluate(() => (window as unknown as { layoutShift: number }).layoutShift);
/** What may move while a page comes, cumulative layout shift: 0.1 is commonly called good. */
const MOST_SHIFT = 0.05;
/**
 * That nothing jumped while the open page came. What else the machine does comes and goes: where
 * something did, the page is opened anew, and has to come quietly once.
 */
async function expectStill(path: string, text: string): Promise<void> {
  await settled();
  let isFirst = true;
  await expect
    .poll(async () => {
      if (!isFirst) {
        await open(path, text);
        await settled();
      }
      isFirst = false;
      return layoutShift();
    })
    .toBeLessThan(MOST_SHIFT);
}

for (const [name, path, text] of VIEWS) {
  test(`${name}: axe finds nothing by day and by night; at 390 px nothing is wider than the phone, and every target is a thumb wide; nothing jumps while it comes, nothing is fetched from elsewhere`, async () => {
    const elsewhere: string[] = [];
    page.on('request', (request) => {
      if (!request.url().startsWith(kettle.address) && !/^(data|blob):/.test(request.url()))
        elsewhere.push(request.url());
    });
    await open(path(), text);
    // A button on its way from waiting to ready has the colours of neither.
    if (name === 'labels') await expect(page.getByRole('button', { name: text })).toBeEnabled();
    expect(await findings()).toEqual([]);
    await expectStill(path(), text);
    await page.getByRole('button', { name: 'Change to the night theme' }).click();
    expect(await findings({ onlyRules: ['color-contrast'] })).toEqual([]);
    await page.setViewportSize({ width: 390, height: 844 });
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
    expect(await tooLow()).toEqual([]);
    await open(path(), text);
    await expectStill(path(), text);
    expect(elsewhere).toEqual([]);
  });
}

test('what to do with a loose set: axe finds nothing and nothing is wider than its screen, at three sizes', async () => {
  await open(`/rescue/${jarred}`, 'Look at the jar first');
  await page.getByRole('button', { name: 'None of these' }).click();
  await page.getByRole('button', { name: /^Too loose/ }).click();
  await expect(page.getByRole('region', { name: 'What to do' })).toBeFocused();
  for (const size of SCREEN_SIZES) {
    await page.setViewportSize(size);
    // The bar of clocks is pushed sideways where it is wider; axe cannot decide about its end.
    expect(await findings({ within: 'main' })).toEqual([]);
    await expect
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth))
      .toBe(size.width);
  }
  expect(await tooLow()).toEqual([]);
});

/** Pages to look things up in and to learn on; at the stove they stand on a tablet. */
const TABLET = /^\/(tables|practice|rescue|kitchen\/tables)/;

test('tables, practice and rescue on a tablet and a phone: axe finds nothing, nothing is wider than its screen', async () => {
  for (const [, path, text] of VIEWS.filter(([, to]) => TABLET.test(to()))) {
    await open(path(), text);
    for (const size of SCREEN_SIZES.slice(1)) {
      await page.setViewportSize(size);
      // Colours are the same at any width: they were looked at above.
      const violations = await axeViolations(page, {
        within: 'main',
        leftOut: ['color-contrast'],
      });
      expect([path(), violations]).toEqual([path(), []]);
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth))
        .toBe(size.width);
    }
  }
});

test('the five readouts are in view at 1280x720, what is most important above them', async () => {
  await page.setViewportSize({ width: 1280, height: 720 });
  const answers = page.getByRole('complementary', { name: 'What will come out' });
  const readouts = /^(?:Firmness|Acidity|Concentration|Yield|Storage):/;
  await open(`/batches/${onHeat}/balance`, 'Where the weight goes');
  await expect(answers.getByRole('region', { name: readouts })).toHaveCount(5);
  for (const region of await answers.getByRole('region', { name: readouts }).all()) {
    const box = await region.boundingBox();
    expect((box?.y ?? Infinity) + (box?.height ?? Infinity)).toBeLessThanOrEqual(720);
  }
  await open(`/batches/${COLD}/balance`, 'Steer it');
  const problem = await answers.getByRole('heading', { level: 3 }).first().boundingBox();
  const first = await answers.getByRole('region', { name: readouts }).first().boundingBox();
  expect(problem?.y ?? Infinity).toBeLessThanOrEqual(first?.y ?? 0);
});

for (const width of [820, 1024, 1280])
  test(`no name on Balance is cut at ${width} px`, async () => {
    await page.setViewportSize({ width, height: 900 });
    await open(`/batches/${onHeat}/balance`, 'Where the weight goes');
    const cut = await page
      .getByLabel(/^Ingredient \d+$/)
      .evaluateAll((fields) =>
        fields
          .filter((field) => field.scrollWidth > field.clientWidth)
          .map((field) => (field as HTMLInputElement).value),
      );
    expect(cut).toEqual([]);
  });

test('by keyboard alone: skip link, rail, a line typed, a reading logged', async () => {
  await open(`/batches/${onHeat}/balance`, 'Where the weight goes');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the bench' })).toBeFocused();
  await page.getByLabel('New line: amount and ingredient').focus();
  await page.keyboard.type('1/2 tsp butter');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Amount of butter')).toHaveValue('1/2 tsp');
  await page
    .getByRole('navigation', { name: 'Stations of this batch' })
    .getByRole('link', { name: 'Boil' })
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Tap the reading')).toBeVisible();
  await page.keyboard.press('r');
  const logged = page.getByRole('region', { name: 'Log' }).getByText('99.2 °C');
  const before = await logged.count();
  await page.keyboard.type('99.2');
  await page.keyboard.press('Enter');
  await expect(logged).toHaveCount(before + 1);
});

/** Names of what is not wholly between the top of the screen and the bar at its bottom. */
const outOfView = (names: readonly string[]): Promise<string[]> =>
  page.evaluate((wanted) => {
    const rooms = document.querySelector('nav[aria-label="Screens"]')?.getBoundingClientRect();
    const isBig = document.querySelector('[data-big]') !== null;
    const bottom = !isBig && rooms && rooms.top > 0 ? rooms.top : innerHeight;
    const all = [...document.querySelectorAll<HTMLElement>('main button, main section')];
    return wanted.filter((name) => {
      const found = all.find((each) =>
        (each.getAttribute('aria-label') ?? each.textContent).startsWith(name),
      );
      const box = found?.getBoundingClientRect();
      return !box || box.height === 0 || box.top < 0 || box.bottom > bottom;
    });
  }, names);

for (const size of SCREEN_SIZES)
  test(`at ${size.width}x${size.height} the readings and the six actions at Boil are in view, and what opens is too, with the focus in it`, async () => {
    await page.setViewportSize(size);
    // The same page loaded again comes back to where it was left, some time after it is drawn: so
    // it is left at its top.
    await page.evaluate(() => window.scrollTo(0, 0));
    await open(`/batches/${onHeat}/boil`, 'Tap the reading');
    // The clocks are there, and leave room.
    await expect(page.getByRole('region', { name: 'Clocks' })).toBeVisible();
    await expect
      .poll(() =>
        outOfView([
          'Readings',
          'What now',
          'Reading 99.5 degrees',
          'Set test',
          'I added…',
          'Weight, Brix',
          'Heat changed',
          'Off the heat',
          'Finish cooking',
        ]),
      )
      .toEqual([]);
    for (const [button, region] of [
      ['Set test', 'Test for the set'],
      ['I added…', 'I added…'],
      ['Heat changed', 'Heat changed'],
      ['Pause…', 'Pause'],
      ['Note', 'Note'],
    ] as const) {
      await page.getByRole('button', { name: new RegExp(`^${button}`) }).click();
      const opened = page.getByRole('region', { name: region, exact: true });
      await expect(opened).toBeInViewport({ ratio: 0.95 });
      await expect
        .poll(() => opened.evaluate((element) => element.contains(document.activeElement)))
        .toBe(true);
      await page.keyboard.press('Escape');
      await expect(opened).toBeHidden();
      await expect
        .poll(() => page.evaluate(() => document.activeElement?.textContent?.trim()))
        .toMatch(new RegExp(`^${button}`));
    }
  });

for (const size of SCREEN_SIZES)
  test(`the big view at ${size.width}x${size.height} is read from afar: now and to go at 90 px, six targets of 96 px, all in view; Escape leaves it`, async () => {
    await page.setViewportSize(size);
    await open(`/batches/${onHeat}/boil`, 'Tap the reading');
    await page.getByRole('button', { name: 'Big view' }).click();
    const big = page.locator('[data-big]');
    await expect(big.getByRole('region', { name: 'Clocks' })).toBeVisible();
    const texts = await big
      .getByRole('region', { name: 'Readings' })
      .locator('p, span')
      .evaluateAll((all) =>
        all.map((each) => [each.textContent, parseFloat(getComputedStyle(each).fontSize)]),
      );
    const sizeOf = (text: RegExp): unknown =>
      texts.find(([words]) => text.test(String(words)))?.[1];
    expect(sizeOf(/^\d+\.\d°$/)).toBeGreaterThanOrEqual(90);
    await expect
      .poll(() => outOfView(['Readings', 'What now', 'Reading', 'Set test', 'Finish cooking']))
      .toEqual([]);
    for (const name of [
      'Reading',
      'Set test',
      'I added…',
      'Heat changed',
      'Off the heat',
      'Finish cooking',
    ]) {
      const box = await big.getByRole('button', { name: new RegExp(`^${name}`) }).boundingBox();
      expect(Math.min(box?.height ?? 0, box?.width ?? 0)).toBeGreaterThanOrEqual(96);
    }
    await settled();
    expect(await axeViolations(page, { within: '[data-big]' })).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Leave big view' })).toBeHidden();
  });

test('where two columns do not fit, a strip keeps the five readouts in view and opens the panel', async () => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await open(`/batches/${COLD}/balance`, 'Steer it');
  const strip = page.getByRole('button', { name: /^What will come out/ });
  for (const name of ['Firmness', 'Acidity', 'Concentration', 'Yield', 'Storage'])
    await expect(strip).toContainText(name);
  await expect(strip).toBeInViewport({ ratio: 1 });
  await strip.click();
  const answers = page.getByRole('complementary', { name: 'What will come out' });
  await expect(answers.getByRole('region', { name: /^Firmness:/ })).toBeInViewport({ ratio: 1 });
  // On a phone: the problem, and what mends it in one tap.
  await page.setViewportSize({ width: 390, height: 844 });
  const problem = await answers.getByRole('heading', { level: 3 }).first().innerText();
  await expect(strip).toContainText(problem);
  await expect(strip).toBeInViewport({ ratio: 1 });
});

test('a finished batch shows what it is, and how it was forecast', async () => {
  await open(`/batches/${jarred}/jar`, 'Press the middle of each lid');
  const panel = page.getByRole('complementary', { name: 'What it is' });
  for (const text of ['Storage', 'Made', 'Left', 'Forecast and actual'])
    await expect(panel.getByText(text, { exact: true })).toBeVisible();
});

/** How often what is shown changed its place or size within so many frames. */
const moves = (frames: number): Promise<number> =>
  page.evaluate(async (count) => {
    const places = (): string =>
      [...document.querySelectorAll('main section, main button')]
        .map((each) => Object.values(each.getBoundingClientRect().toJSON() as object).join())
        .join(';');
    let [was, moved] = [places(), 0];
    for (let i = 0; i < count; i++) {
      await new Promise(requestAnimationFrame);
      const is = places();
      if (is !== was) moved += 1;
      was = is;
    }
    return moved;
  }, frames);

test('for those who asked for less motion nothing moves at the stove while nothing happens', async () => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(`/batches/${onHeat}/boil`, 'Tap the reading');
  await expect(page.getByRole('img', { name: /^Boil curve/ })).toBeVisible();
  await expect.poll(() => moves(20)).toBe(0);
  await page.emulateMedia({ reducedMotion: null });
});

test('the documents of the API fetch nothing from elsewhere', async () => {
  const elsewhere: string[] = [];
  page.on('request', (request) => elsewhere.push(request.url()));
  await page.goto(`${kettle.address}/api/docs`);
  expect(
    elsewhere.filter((url) => !url.startsWith(kettle.address) && !/^(data|blob):/.test(url)),
  ).toEqual([]);
});
