import * as batches from './0002-batches.js';
import * as downloadLinks from './0021-download-links.js';
import * as clocks from './0016-clocks.js';
import * as formulas from './0001-kitchens-formulas.js';
import * as freezer from './0009-freezer.js';
import * as gear from './0004-gear-versions.js';
import * as instruments from './0007-instruments.js';
import * as jarIds from './0017-jar-ids.js';
import * as jars from './0008-jars.js';
import * as kindOfLot from './0019-kind-of-lot.js';
import * as lessons from './0010-lessons.js';
import * as lessonsRetried from './0022-lessons-retried.js';
import * as live from './0005-live.js';
import * as longCooks from './0018-long-cooks.js';
import * as photos from './0012-photos.js';
import * as quickSearch from './0013-quick-search.js';
import * as practice from './0020-practice.js';
import * as planned from './0006-planned.js';
import * as shelf from './0003-shelf.js';
import * as standings from './0011-standings.js';
import * as stricterVerdicts from './0015-stricter-verdicts.js';
import * as summaryCache from './0014-summary-cache.js';

export interface Migration {
  readonly name: string;
  /** SQL that brings the schema one step up. */
  readonly up: string;
}

/**
 * In the order they are applied. A step that has landed is never changed; the next one is added.
 */
export const MIGRATIONS: readonly Migration[] = [
  formulas,
  batches,
  shelf,
  gear,
  live,
  planned,
  instruments,
  jars,
  freezer,
  lessons,
  standings,
  photos,
  quickSearch,
  summaryCache,
  stricterVerdicts,
  clocks,
  jarIds,
  longCooks,
  kindOfLot,
  practice,
  downloadLinks,
  lessonsRetried,
];
