import {
  readFormula,
  sampleBalance,
  type FormulaDocument,
  type Place,
  type Sampled,
} from '@idle-kettle/core';

export interface SampleQuestion {
  readonly document: FormulaDocument;
  readonly place: Place;
  readonly samples: number;
}

/** Progress from 0 to 1 on the way, the result at the end; null where nothing is in the pot. */
export type SampleReport = { readonly share: number } | { readonly result: Sampled | null };

/** The same draws every time, so that a number moves only when the formula does. */
const SEED = 4780;

self.onmessage = ({ data: { document, place, samples } }: MessageEvent<SampleQuestion>) => {
  const report = (message: SampleReport): void => self.postMessage(message);
  const { formula } = readFormula(document, place);
  const result = sampleBalance(formula, {
    seed: SEED,
    samples,
    onProgress: (share) => {
      report({ share });
      return true;
    },
  });
  report({ result });
};
