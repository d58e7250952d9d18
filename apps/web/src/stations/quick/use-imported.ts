import { wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { importFormula, type Imported, type ImportOptions } from '@idle-kettle/core';
import { useSame } from '../../ui/use-same.js';
import type { ImportFormula } from '../../workers/import.worker.js';

/** A text of so many letters is read as it is typed, within a frame; a longer one beside the page. */
const READ_AT_ONCE = 2000;
/** Typing is let finish before a long text is read, ms. */
const PAUSE_MS = 150;

const newReader = (): { readonly worker: Worker; readonly read: Remote<ImportFormula> } => {
  const worker = new Worker(new URL('../../workers/import.worker.ts', import.meta.url), {
    type: 'module',
  });
  return { worker, read: wrap<ImportFormula>(worker) };
};

export interface ReadText {
  /** What was read of this text; undefined where nothing is written, or nothing was read yet. */
  readonly imported: Imported | undefined;
  /** A long text is being read, or read again with what was corrected. */
  readonly isReading: boolean;
}

/** A recipe as it is read; a new text ends the reading of the one before. */
export function useImported(text: string, given: ImportOptions): ReadText {
  const options = useSame(given);
  const isShort = text.length <= READ_AT_ONCE;
  const short = useMemo(
    () => (isShort && text.trim() !== '' ? importFormula(text, options) : undefined),
    [isShort, text, options],
  );
  const [long, setLong] = useState<{ imported: Imported; of: string; by: ImportOptions }>();
  useEffect(() => {
    if (isShort) return;
    let reader: ReturnType<typeof newReader> | undefined;
    const timer = setTimeout(() => {
      reader = newReader();
      const { worker, read } = reader;
      void read(text, options).then((imported) => {
        worker.terminate();
        setLong({ imported, of: text, by: options });
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      reader?.worker.terminate();
    };
  }, [isShort, text, options]);
  if (isShort) return { imported: short, isReading: false };
  const isOfThis = long?.of === text;
  return {
    imported: isOfThis ? long.imported : undefined,
    isReading: !isOfThis || long.by !== options,
  };
}
