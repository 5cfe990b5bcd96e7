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
    | 'title';
  /** Logarithm to base 2 of how much likelier this is for one person than for two; negative where it speaks against. */
  weight: number;
  words: string;
}

/** Evidence whose words are put together only when somebody reads them: a register is millions of comparisons. */
export interface Finding extends Omit<Evidence, 'words'> {
  words: () => string;
}

/** The most telling first. */
export const evidenceOf = (findings: readonly Finding[]): Evidence[] =>
  findings
    .map(({ about, weight, words }) => ({ about, weight, words: words() }))
    .sort((x, y) => Math.abs(y.weight) - Math.abs(x.weight));
