import { findSheet, sheetsFor, type LabelSheet, type UnitSystem } from '@idle-kettle/core';
import { anObject, browserStore } from '../../data/browser-store.js';
import type { Design } from './layout.js';

/** How this person prints labels. */
export interface LabelChoice {
  /** Undefined until one was chosen. */
  readonly sheet?: string;
  readonly design: Design;
  readonly ingredients: boolean;
  readonly code: boolean;
}

const USUAL_CHOICE: LabelChoice = { design: 'band', ingredients: true, code: true };
export const labelChoice = browserStore<LabelChoice>({
  key: 'kettle.labels',
  parse: (json) => ({ ...USUAL_CHOICE, ...anObject<Partial<LabelChoice>>(json) }),
  otherwise: () => USUAL_CHOICE,
});

/** The sheet that was chosen last, else the first of the household's own paper. */
export const chosenSheet = ({ sheet }: LabelChoice, units: UnitSystem): LabelSheet =>
  findSheet(sheet ?? '') ?? sheetsFor(units)[0];
