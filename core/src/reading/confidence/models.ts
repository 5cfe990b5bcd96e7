import type { FieldName } from '../proposal';

/** Fields whose every character must be right to be of use: of two places where one is printed each alone would do. */
export const EXACT_FIELDS: readonly FieldName[] = ['email', 'phone', 'website', 'postalCode'];

/** Values about 0–1 by what they are, those that are 0 left out. Their names are what the weights are told apart by. */
export type Features = Readonly<Record<string, number>>;

/** By kind of field: what each feature is worth in log-odds, and how often a score was right. */
export type Weights = Readonly<
  Record<
    string,
    {
      readonly bias: number;
      readonly weights: Readonly<Record<string, number>>;
      readonly curve: readonly (readonly [score: number, right: number])[];
    }
  >
>;
