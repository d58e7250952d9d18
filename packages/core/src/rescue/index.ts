export {
  type Affected,
  JARS_UNTIL_NOW,
  type JarsUntilNow,
  rescueAdvice,
  type RescueAdvice,
  whyNotRemade,
} from './advice.js';
export { type BatchRecord, batchRecord, type StoredWhere } from './batch-record.js';
export { type FigureWriter, type Lack, LACKS } from './cause-rule.js';
export { diagnose, type Diagnosis, type LikelyCause } from './diagnose.js';
export { remakeDocument, type RemakeOrder } from './remake-batch.js';
export { type Remake, remakesOf, type RemakeWay, rescueOf } from './remake.js';
export { type SignCode, SIGNS, signsOf, SPOILAGE_SIGNS, THROW_AWAY } from './signs.js';
