/** One thing in which two records agree or differ, and how much it says. */
export interface Evidence {
  about:
    | 'name'
    | 'givenName'
    | 'middleName'
    | 'familyName'
    | 'generation'
    | 'salutation'
    | 'mailbox'
    | 'phone'
    | 'firm'
    | 'address'
    | 'postalCode'
    | 'town'
    | 'country'
    | 'title'
    | 'occasion';
  /** Logarithm to base 2 of how much likelier this is for one person than for two; negative where it speaks against. */
  weight: number;
  words: string;
}

/** Words put together only when somebody reads them, where they are not always the same: a register is millions of comparisons. */
export type Words = string | (() => string);

export interface Finding extends Omit<Evidence, 'words'> {
  words: Words;
}

/** The most telling first. */
export const evidenceOf = (findings: readonly Finding[]): Evidence[] =>
  findings
    .map(({ about, weight, words }) => ({ about, weight, words: typeof words === 'string' ? words : words() }))
    .sort((x, y) => Math.abs(y.weight) - Math.abs(x.weight));
