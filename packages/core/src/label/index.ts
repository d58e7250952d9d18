export { labelContent, type LabelContent } from './label.js';
export { cellAt, findSheet, LABEL_SHEETS, type LabelSheet } from './sheets.js';
