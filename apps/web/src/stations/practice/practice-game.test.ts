import { bestRun, SCENARIOS, type PracticeScenario } from '@idle-kettle/core';
import { PracticeGame } from './practice-game.js';
import { seedFrom, seedWords } from './seeds.js';

const scenarioOf = (id: string): PracticeScenario => {
  const found = SCENARIOS.find((scenario) => scenario.id === id);
  if (!found) throw new Error(`there is no scenario ${id}`);
  return found;
};

test('what is shown follows the pan, and is the same object until something changes', () => {
  const game = new PracticeGame(scenarioOf('first-jam'), 3);
  const first = game.snapshot();
  expect(game.snapshot()).toBe(first);
  game.act({ type: 'heat', level: 4 });
  game.skip(300);
  const view = game.snapshot();
  expect(view).not.toBe(first);
  expect(view.time_s).toBe(300);
  expect(view.heat).toBe(4);
  expect(view.isSteaming).toBe(true);
});

test('nothing is shown that a cook cannot know', () => {
  const game = new PracticeGame(scenarioOf('first-jam'), 3);
  game.act({ type: 'heat', level: 4 });
  game.skip(600);
  expect(game.snapshot().lastReading_C).toBeUndefined();
  game.act({ type: 'read' });
  expect(game.snapshot().lastReading_C).toBeGreaterThan(80);
  const numbers = Object.entries(game.snapshot()).filter(([, value]) => typeof value === 'number');
  for (const [, value] of numbers)
    expect([game.run.pan.pot.temperature_C, game.run.pan.solids]).not.toContain(value);
});

test('time that passes at once stops where something happens', () => {
  const game = new PracticeGame(scenarioOf('small-pan'), 5);
  game.act({ type: 'heat', level: 4 });
  game.skip(240);
  for (const { index, isPlanned, isIn } of game.snapshot().items)
    if (isPlanned && !isIn) game.act({ type: 'add', item: index });
  game.act({ type: 'stir' });
  game.skip(900);
  const [notice] = game.snapshot().notices;
  expect(notice?.code).toBe('runs-over');
  expect(game.snapshot().time_s).toBe(notice?.time_s);
  expect(game.snapshot().time_s).toBeLessThan(240 + 900);
});

test('once the forecast was seen the score is one with it, also when it is hidden again', () => {
  const game = new PracticeGame(scenarioOf('first-jam'), 3);
  expect(game.hasSeenForecast).toBe(false);
  game.showForecast(true);
  game.showForecast(false);
  expect(game.snapshot().isForecastShown).toBe(false);
  expect(game.hasSeenForecast).toBe(true);
});

test('the clock runs only while somebody looks, as fast as wanted, and not beyond the end', () => {
  jest.useFakeTimers();
  const game = new PracticeGame(scenarioOf('curd'), 3);
  game.setSpeed(30);
  jest.advanceTimersByTime(5000);
  expect(game.snapshot().time_s).toBe(0);
  const leave = game.watch(() => undefined);
  jest.advanceTimersByTime(10_000);
  expect(game.snapshot().time_s).toBe(300);
  leave();
  jest.advanceTimersByTime(10_000);
  expect(game.snapshot().time_s).toBe(300);
  jest.useRealTimers();
});

test('deeds through the screen come to the same run as in core', () => {
  const scenario = scenarioOf('high-village');
  const best = bestRun(scenario, 8);
  const game = new PracticeGame(scenario, 8);
  for (const action of best.run.actions) {
    game.skip(action.time_s - game.snapshot().time_s);
    game.act(action);
  }
  expect(game.snapshot().phase).toBe('over');
  expect(game.run.log).toEqual(best.run.log);
});

test.each([
  ['4711', 4711],
  ['0', 0],
  ['999999999', 999_999_999],
  ['1000000000', undefined],
  ['-1', undefined],
  ['', undefined],
  [null, undefined],
])('the seed of the address %p is %p', (text, seed) => expect(seedFrom(text)).toBe(seed));

test('a seed is written so that it can be read out', () => {
  expect([7, 4711, 4_711_042].map(seedWords)).toEqual(['7', '4 711', '4 711 042']);
});
