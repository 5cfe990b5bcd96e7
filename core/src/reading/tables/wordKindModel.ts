/**
 * A linear model of a word's runs of letters: each run has a row of weights, one for each kind, at the place that its letters hash to.
 * Fitted by `npm run fit:roles` on the words of the tables.
 */
export interface WordKindModel {
  /** Weights of one after the other run, a kind after the other, in steps of `step`. */
  weights: Int8Array;
  step: number;
  bias: readonly number[];
}
