/**
 * What is worth knowing of a formula that can be computed. A code stands for one kind of warning;
 * whoever shows it has a title for each.
 */
export type WarningCode =
  // While the document is read.
  | 'altitude-needed'
  | 'no-fruit'
  | 'oz-is-weight'
  | 'sea-level-assumed'
  | 'stop-off-the-point'
  | 'unusual-finish'
  // Of the contents of the pan and its finish.
  | 'already-past-finish'
  | 'boils-dry'
  | 'finish-below-solids'
  | 'pan-too-small'
  | 'may-crystallise'
  | 'may-weep'
  // Of the setting method.
  | 'batch-doubled'
  | 'liquid-pectin-first'
  | 'no-calcium-pectin'
  | 'no-jam-sugar'
  | 'pectin-in-long-boil'
  | 'sugar-before-pectin'
  | 'sugar-before-soft'
  | 'sugar-by-degrees'
  | 'sugar-cut'
  | 'sweet-without-solids'
  // Of what a recipe claims.
  | 'stated-amounts-disagree'
  | 'stated-yield-impossible'
  | 'stated-yield-unlikely';

export interface Warning {
  readonly code: WarningCode;
  readonly text: string;
}
