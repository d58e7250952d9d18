import {
  DAY_MS,
  MINUTE_MS,
  balance,
  readFormula,
  STARTERS,
  type FormulaDocument,
  type JarsFilled,
} from '@idle-kettle/core';
import { DEMO_KITCHEN, type DemoBatch } from './household.js';
import { OWN_FORMULAS, PAST_BATCHES, type PastBatch } from './past-batches.table.js';

/** What the burner puts into the pan, W: a butter simmers, everything else boils hard. */
const SIMMERS_W = 620;
const BOILS_W = 1900;
/** Part jars are judged by eye, to the quarter. */
const QUARTER = 4;

function documentOf(title: string): FormulaDocument {
  const found = [...STARTERS, ...OWN_FORMULAS].find((each) => each.title === title);
  if (!found) throw new Error(`no formula is called ${title}`);
  return found;
}

/** The last such day before now, and so many years before that, in the early afternoon. */
export function dayBefore(now: Date, [yearsBefore, month, day]: PastBatch['on']): Date {
  const at = (year: number): Date => new Date(year, month - 1, day, 14, 10);
  const thisYear = now.getFullYear();
  // What is shelved has cooled, and its lids were pressed.
  const isOver = at(thisYear).getTime() < now.getTime() - 2 * DAY_MS;
  return at(thisYear - (isOver ? 0 : 1) - yearsBefore);
}

/** As many jars as were forecast, or a share of that. */
function jarsOf(document: FormulaDocument, came: number): JarsFilled {
  const [jar] = balance(readFormula(document, DEMO_KITCHEN).formula)?.jars ?? [];
  if (!jar) throw new Error(`${document.title} gives no jars`);
  const jars = jar.count.mid * came;
  const full = Math.floor(jars);
  return { size: jar.size, full, part: Math.floor((jars - full) * QUARTER) / QUARTER };
}

/** The batches of the last two years, the oldest first. */
export function pastBatches(now: Date): readonly DemoBatch[] {
  return PAST_BATCHES.map((past): DemoBatch => {
    const document = documentOf(past.formula);
    const made = dayBefore(now, past.on);
    const jars = jarsOf(document, past.came ?? 1);
    const { full } = jars;
    const given = (past.given ?? []).reduce((sum, [, count]) => sum + count, 0);
    const failed = past.failed ?? [];
    const eaten =
      past.thrown === undefined ? Math.max(full - failed.length - given - past.left, 0) : 0;
    const isButter = document.kind === 'fruit-butter';
    return {
      document,
      minutesAgo: Math.round((now.getTime() - made.getTime()) / MINUTE_MS),
      softened: document.method === 'long-boil' ? 15 : 5,
      heat_W: isButter ? SIMMERS_W : BOILS_W,
      minutesBetweenReadings: isButter ? 30 : 2,
      finished: {
        jars: [jars],
        isPartEaten: true,
        eaten,
        note: past.note,
        place: past.place,
        failed,
        ...(past.given && { given: past.given }),
        ...(past.thrown !== undefined && { thrown: past.thrown }),
        ...(past.score && { score: past.score }),
        ...(past.judged && { judged: past.judged }),
        ...(past.shown && { shown: past.shown }),
        ...(past.photo && {
          photos: [{ note: past.photo[0], colour: past.photo[1], daysAfter: 2 }],
        }),
      },
    };
  });
}
