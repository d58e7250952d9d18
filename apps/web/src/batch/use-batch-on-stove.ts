import { useMemo } from 'react';
import {
  boilFrom,
  readFormula,
  withoutPlace,
  type Boil,
  type FormulaDocument,
  type PotFormula,
} from '@idle-kettle/core';
import { useBatchQuery, useEvents } from '../data/queries.js';
import { usePreferences } from '../ui/preferences.js';

interface BatchOnStove {
  readonly boil: Boil;
  readonly document: FormulaDocument | undefined;
  readonly formula: PotFormula | undefined;
}

/** A batch that is not the one on the bench: its boil, and its formula as it stands now. */
export function useBatchOnStove(batchId: string): BatchOnStove {
  const { kitchen } = usePreferences();
  const document = useBatchQuery(batchId, true).data?.document;
  const { events } = useEvents(batchId);
  const boil = useMemo(() => boilFrom(events), [events]);
  const formula = useMemo(
    () => document && readFormula(withoutPlace(document), kitchen).formula,
    [document, kitchen],
  );
  return { boil, document, formula };
}
