export { labelContent, type LabelContent } from './label.js';
export {
  cellAt,
  findSheet,
  LABEL_SHEETS,
  sheetName,
  sheetsFor,
  type LabelSheet,
} from './sheets.js';
