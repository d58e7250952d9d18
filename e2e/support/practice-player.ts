import type { Page } from '@playwright/test';
import { balance, readFormula, type PracticeScenario } from '@idle-kettle/core';

/** What a scripted cook is told of a pan: what its formula says, and what of the cupboard helps. */
interface ScriptedPan {
  readonly finish: string;
  /** Kelvin over boiling water, or Celsius of a curd. */
  readonly degrees: number;
  /** Minutes of a timed boil. */
  readonly minutes: number;
  /** Kilograms in the pan at the finish. */
  readonly finishMass_kg: number;
  readonly cardMinutes: number;
  /** Words of what goes in before the heat, with the sugar, and near the end. */
  readonly first: readonly string[];
  readonly withSugar: readonly string[];
  readonly last: readonly string[];
  readonly hasPieces: boolean;
}

/** What of the cupboard a good cook takes, by the scenario: into the fruit, or with the sugar. */
const TAKES: Readonly<
  Record<string, { readonly first?: string[]; readonly withSugar?: string[] }>
> = {
  'over-ripe': { first: ['lemon', 'pectin'] },
  'half-sugar': { first: ['calcium water'], withSugar: ['calcium pectin'] },
  'small-pan': { first: ['butter'] },
};

const degreesOf = (finish: ReturnType<typeof readFormula>['formula']['finish']): number => {
  if (finish.type === 'gel-temperature') return finish.rise_K;
  return finish.type === 'curd' ? finish.temperature_C : 0;
};

function scriptedPan(scenario: PracticeScenario): ScriptedPan {
  const { formula } = readFormula(scenario.formula, { altitude_m: scenario.altitude_m });
  const { finish } = formula;
  const takes = TAKES[scenario.id];
  return {
    finish: finish.type,
    degrees: degreesOf(finish),
    minutes: finish.type === 'hard-boil' ? finish.minutes : 0,
    finishMass_kg: balance(formula)?.finish.mass_kg.mid ?? 0,
    cardMinutes: scenario.cardMinutes,
    first: [...(takes?.first ?? []), ...(formula.method === 'powdered-pectin' ? ['pectin'] : [])],
    withSugar: takes?.withSugar ?? [],
    last: ['butter', 'spice'],
    hasPieces: !['jelly', 'curd', 'fruit-butter'].includes(formula.kind),
  };
}

/**
 * Cooks a practice pan through its screen, within the page: every deed is a click on what is shown,
 * and everything known of the pan is read from it.
 *
 * @param manner a bad cook puts everything in at once, never stirs or looks, and takes its time
 * @returns the score that the screen shows in the end
 */
export async function cookThrough(
  page: Page,
  scenario: PracticeScenario,
  manner: 'well' | 'badly',
): Promise<number> {
  await page.getByRole('region', { name: 'At the pan' }).waitFor();
  await page.evaluate(manner === 'well' ? cookWell : cookBadly, scriptedPan(scenario));
  const heading = page.getByRole('heading', { name: / of 100$/ });
  await heading.waitFor();
  return Number(/^\d+/.exec((await heading.textContent()) ?? '')?.[0]);
}

/** Runs in the page. */
async function cookBadly({ cardMinutes }: ScriptedPan): Promise<void> {
  /** React draws once the event is over. */
  const drawn = async (): Promise<void> => {
    for (let i = 0; i < 3; i += 1) await Promise.resolve();
  };
  const press = async (words: RegExp): Promise<boolean> => {
    const found = [
      ...document.querySelectorAll<HTMLButtonElement>('main button:not(:disabled)'),
    ].find((each) => words.test(each.textContent ?? ''));
    found?.click();
    await drawn();
    return found !== undefined;
  };
  const heats = document.querySelectorAll<HTMLInputElement>('[aria-label="Heat"] input');
  heats[heats.length - 1]?.click();
  await drawn();
  // Sugar first, and nothing that only lies there.
  while (await press(/^Put in .*(sugar|honey)/));
  while ((await press(/^Put in .*pectin/)) || (await press(/^Put in .*(butter|spice|lemon)/)));
  const minutes = cardMinutes * 2;
  for (let passed = 0; passed < minutes; passed += cardMinutes > 120 ? 60 : 2)
    await press(cardMinutes > 120 ? /^1 h$/ : /^2 min$/);
  await press(/^Finish cooking/);
  await press(/^Yes, it is done/);
  await press(/^Fill the jars/);
  // How the jars keep is looked up beside the page.
  const isThere = (): boolean =>
    [...document.querySelectorAll('main button')].some((each) =>
      /^Refrigerate/.test(each.textContent ?? ''),
    );
  for (let i = 0; i < 200 && !isThere(); i += 1)
    await new Promise((resolve) => setTimeout(resolve, 20));
  if (await press(/^Into the canner/)) await press(/^Lift the jars/);
  else await press(/^Refrigerate/);
}

/** Runs in the page. */
async function cookWell(pan: ScriptedPan): Promise<void> {
  const buttons = (): HTMLButtonElement[] => [
    ...document.querySelectorAll<HTMLButtonElement>('main button:not(:disabled)'),
  ];
  /** React draws once the event is over. */
  const drawn = async (): Promise<void> => {
    for (let i = 0; i < 3; i += 1) await Promise.resolve();
  };
  const press = async (words: RegExp): Promise<boolean> => {
    const found = buttons().find((each) => words.test(each.textContent ?? ''));
    found?.click();
    await drawn();
    return found !== undefined;
  };
  const putIn = (what: string): Promise<boolean> => press(new RegExp(`^Put in .*${what}`, 'i'));
  const heats = [...document.querySelectorAll<HTMLInputElement>('[aria-label="Heat"] input')];
  const heatNow = (): number =>
    [...document.querySelectorAll<HTMLInputElement>('[aria-label="Heat"] input')].findIndex(
      ({ checked }) => checked,
    );
  const turn = async (level: number): Promise<void> => {
    const all = document.querySelectorAll<HTMLInputElement>('[aria-label="Heat"] input');
    if (heatNow() !== level) all[level]?.click();
    await drawn();
  };
  const signs = (): string =>
    document.querySelector('[aria-label="What you see and smell"]')?.textContent ?? '';
  const text = (): string => document.querySelector('main')?.textContent ?? '';
  const degrees = async (): Promise<number> => {
    await press(/^Read the thermometer/);
    const shown = document.querySelector('[aria-label="Measuring"] [role=status]')?.textContent;
    return parseFloat(shown ?? '');
  };
  const mass_kg = async (): Promise<number> => {
    await press(/^Weigh the pan/);
    const [, amount, unit] = /([\d.,]+) (kg|g) in it/.exec(text()) ?? [];
    return parseFloat(amount ?? '') / (unit === 'g' ? 1000 : 1);
  };
  const full = heats.length - 1;
  const isLong = heats.length === 3;
  await press(/^Check it in boiling water/);
  const water = parseFloat(/it shows ([\d.]+)/.exec(text())?.[1] ?? 'NaN');
  for (const what of pan.first) await putIn(what);
  const hasSugarLeft = (): boolean =>
    buttons().some((each) => /sugar/.test(each.textContent ?? ''));
  const waitsForBoil = pan.finish === 'hard-boil';
  let softened = 0;
  let boiled = 0;
  for (let step = 0; step < 600; step += 1) {
    const seen = signs();
    const boils = /rolling boil|small bubbles|glossy/.test(seen);
    if (/(no power|power is out)/.test(text()) && heatNow() > 0 && !/power is back/.test(text()))
      await turn(0);
    if (/foam (runs|close)/.test(seen)) await turn(Math.max(heatNow() - 1, 1));
    else if (isLong || pan.finish !== 'curd')
      await turn(hasSugarLeft() && !waitsForBoil && boils ? 2 : full);
    if (!isLong || step % 2 === 0) await press(/^Stir$/);
    if (pan.finish === 'curd') {
      const now = await degrees();
      await turn(now > pan.degrees - 8 ? 2 : 3);
      if (now > pan.degrees - 12) await putIn('butter');
      if (now >= pan.degrees - 0.2) break;
      await press(/^15 s$/);
      continue;
    }
    if (isLong) {
      const now = await mass_kg();
      if (now < pan.finishMass_kg * 1.25)
        for (const what of ['sugar', ...pan.last]) await putIn(what);
      if (now <= pan.finishMass_kg) break;
      await press(now > pan.finishMass_kg * 1.4 ? /^1 h$/ : /^10 min$/);
      continue;
    }
    if (hasSugarLeft()) {
      if (waitsForBoil ? boils : softened >= 10) {
        for (const what of ['sugar', ...pan.withSugar]) await putIn(what);
      }
      await press(/^1 min$/);
      if (boils || /rim/.test(seen)) softened += 1;
      continue;
    }
    if (/(?<!no )grains on/.test(seen)) {
      await press(/^15 s$/);
      continue;
    }
    if (waitsForBoil) {
      if (/full rolling|glossy|small bubbles/.test(seen)) boiled += 0.25;
      if (boiled > pan.minutes) break;
      await press(/^15 s$/);
      continue;
    }
    const left = water + pan.degrees - (await degrees());
    if (left <= 0.05) break;
    await press(left < 2 ? /^15 s$/ : /^1 min$/);
  }
  await press(/^Finish cooking/);
  await press(/^Yes, it is done/);
  for (const what of pan.last) await putIn(what);
  if (pan.hasPieces) for (let minute = 0; minute < 5; minute += 1) await press(/^1 min$/);
  await press(/^Fill the jars/);
  // How the jars keep is looked up beside the page.
  const isThere = (): boolean =>
    [...document.querySelectorAll('main button')].some((each) =>
      /^Refrigerate/.test(each.textContent ?? ''),
    );
  for (let i = 0; i < 200 && !isThere(); i += 1)
    await new Promise((resolve) => setTimeout(resolve, 20));
  if (!(await press(/^Into the canner/))) {
    await press(/^Refrigerate/);
    return;
  }
  const wanted_s = 60 * Number(/(\d+) minutes in all/.exec(text())?.[1] ?? 60);
  for (let step = 0; step < 60; step += 1) {
    if (/does not boil/.test(text())) {
      await press(/^Heat up under/);
      await press(/^1 min$/);
      await press(/^1 min$/);
      await press(/^Restart the timer/);
      continue;
    }
    const [minutes = '0', seconds = '0'] = (
      document.querySelector('[role=timer]')?.textContent ?? ''
    ).split(':');
    if (Number(minutes) * 60 + Number(seconds) >= wanted_s) break;
    await press(/^1 min$/);
  }
  await press(/^Lift the jars/);
}
