import {
  JUDGED,
  kitchenFraction,
  MOST_POINTS,
  PLACE_OF_VESSEL,
  type BatchEvent,
  type EventBodies,
  type EventType,
  type TestWay,
} from '@idle-kettle/core';
import { nameOfLine } from '../../batch/line-edit.js';
import { placeWords, PROCESS_WORDS, RESULT_WORDS, SET_WORDS } from '../../batch/words.js';
import { jarName, jarsOf } from '../../ui/jar-picture.js';
import type { Formats } from '../../ui/preferences.js';
import * as dates from '../../ui/dates.js';

const TEST_WAY_WORDS: Readonly<Record<TestWay, string>> = {
  plate: 'Plate',
  sheet: 'Sheet',
  finger: 'Finger',
};

const jarCount = (jars: readonly number[], size: string): string =>
  jarsOf(String(jars.length), size, jars.length);

/** What each type of event is called in the log; one without words does not compile. */
const EVENT_WORDS: {
  readonly [T in EventType]: (body: EventBodies[T], formats: Formats) => string;
} = {
  planned: ({ by, at }) =>
    `Planned: ${by === 'ready' ? 'jars on the counter' : 'begin'} ${dates.dayAndTime(at)}`,
  step: ({ code }) => `Step done: ${code.replaceAll('-', ' ')}`,
  light: ({ gelTemperature_C }, { temperature }) =>
    `On the heat; at the finish about ${temperature(gelTemperature_C)}`,
  reading: ({ temperature_C }, { temperature }) => temperature(temperature_C),
  weighed: ({ mass_kg }, { mass }) => `On the scale ${mass(mass_kg)}`,
  brix: ({ percent }) => `Refractometer ${percent.toFixed(1)} %`,
  'sugar-in': () => 'The sugar is in',
  heat: ({ turned }) => (turned === 'up' ? 'Heat up' : 'Heat down'),
  test: ({ way, verdict }) => `${TEST_WAY_WORDS[way]} test: ${verdict}`,
  altitude: ({ altitude_m }, { altitude }) => `Made at ${altitude(altitude_m)}, corrected`,
  'formula-filled': () => 'Filled from the formula as it was',
  'heat-stated': ({ reached }) =>
    reached ? 'Stated: boiled, and filled hot' : 'Stated: not boiled, or not filled hot',
  'measured-ph': ({ value }) => `pH ${value.toFixed(2)} measured`,
  addition: ({ text, planned }) => (planned ? `In, as planned: ${text}` : `Added: ${text}`),
  omission: ({ ingredient }) => `Left out: ${nameOfLine({ ingredient, amount: '' })}`,
  note: ({ text }) => text,
  minute: () => '1-minute boil started',
  vessel: ({ vessel }) => `Cooks in: ${placeWords(PLACE_OF_VESSEL[vessel])}`,
  cooking: ({ stage, ...place }) =>
    `${stage === undefined ? 'Cooks in' : `Stage ${stage}`}: ${placeWords(place)}`,
  depth: ({ left }) => `Depth: ${Math.round(left * 100)} % of the start`,
  stirred: () => 'Stirred',
  paused: ({ kept }) => (kept === 'fridge' ? 'Paused, refrigerated' : 'Paused, covered'),
  simulated: ({ speed }) =>
    speed === 1 ? 'Simulated instruments' : `Simulated instruments, ${speed} times as fast`,
  'off-heat': () => 'Off the heat',
  'on-heat': () => 'Back on the heat',
  done: () => 'Cooking finished',
  jarred: ({ jars }) =>
    `Jars counted: ${jars.map(({ full, part, size }) => jarsOf(kitchenFraction(full + part), size)).join(', ')}`,
  'process-begun': ({ minutes }) => `The process began: ${minutes} min`,
  'process-lost': () => 'The boil stopped: processing starts from zero again',
  processed: ({ minutes, method, again, jars, startedAt }) => {
    if (again)
      return `Processed again, with new lids: ${jarCount(again.jars, again.size)}, ${minutes} min`;
    const load = jars?.map(({ size, count }) => jarsOf(String(count), size, count)).join(', ');
    const stated = startedAt === undefined ? '' : `, stated: from ${dates.time(startedAt)}`;
    return `Processed ${minutes} min ${PROCESS_WORDS[method]}${load === undefined ? '' : `: ${load}`}${stated}`;
  },
  lids: ({ out, left }) => `Lids: ${out} laid out, ${left} left`,
  seals: ({ failed, size }) =>
    failed.length === 0
      ? `Lids pressed, ${jarName(size, 2)}: all down`
      : `Lids pressed: ${jarCount(failed, size)} not sealed`,
  scored: ({ set, taste }) =>
    `Opened and tasted: set ${SET_WORDS[set + 2] ?? ''}, taste ${taste} of 5`,
  judged: (points) =>
    `Judged: ${JUDGED.reduce((sum, each) => sum + points[each], 0)} of ${JUDGED.length * MOST_POINTS} points`,
  shown: (entry) => `At ${entry.show}, ${entry.class}: ${RESULT_WORDS[entry.result]}`,
  unsealed: ({ kept, jars, size }) =>
    `Not sealed, ${kept === 'thrown-out' ? 'thrown away' : `into the ${kept}`}: ${jarCount(jars, size)}`,
  undo: () => 'Undone',
};

/** What happened, in words. */
export function eventWords(event: BatchEvent, formats: Formats): string {
  const words: (body: never, formats: Formats) => string = EVENT_WORDS[event.type];
  return words(event.body as never, formats);
}
