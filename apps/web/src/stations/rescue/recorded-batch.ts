import type { FormulaBody, LotView } from '@idle-kettle/contract';
import type { Boil } from '@idle-kettle/core';

/** A batch of which there is a record. */
export interface RecordedBatch {
  readonly id: string;
  readonly document: FormulaBody;
  readonly boil: Boil;
  readonly formulaId: string | null;
  /** Its jars on the shelf. */
  readonly lots: readonly LotView[];
}
