import { editDistance, fold, foldTight } from '../../text';

/** A postal address as a workspace has filed it. */
export interface LearnedAddress {
  street: string;
  postalCode: string;
  locality: string;
}

/** What people of a workspace have filed about the firm behind a domain. */
export interface LearnedFirm {
  company?: string;
  /** E.164 numbers that stand on several of its people's cards. */
  phones: readonly string[];
  addresses: readonly LearnedAddress[];
}

/** What a workspace's own corrections say about the next card. */
export interface Learned {
  /** By registered domain. */
  firms: Readonly<Record<string, LearnedFirm>>;
  /** Words for positions that people have filed as titles, folded. */
  titleWords: readonly string[];
}

/** How far a reading may be from what is known and still be the same thing misread. */
const MISREAD = { company: 2, phone: 1, postalCode: 1, street: 2 } as const;

/** Whether two company names, folded to letters and digits, are one, perhaps slightly misread. */
export const isLikeCompany = (a: string, b: string): boolean =>
  a === b || (a.length > 5 && editDistance(a, b, MISREAD.company) <= MISREAD.company);

/** The workspace's spelling when `read` is that company, in other capitals or slightly misread. */
export function learnedCompany(read: string, known: string | undefined): string | undefined {
  if (!known || known === read) return undefined;
  return isLikeCompany(foldTight(read), foldTight(known)) ? known : undefined;
}

/** The known number of which `read` is a misreading by one digit. */
export const learnedPhone = (read: string, known: readonly string[]): string | undefined =>
  known.includes(read) ? undefined : known.find((number) => isOneDigitOff(read, number));

const isOneDigitOff = (a: string, b: string): boolean =>
  a.length === b.length && editDistance(a, b, MISREAD.phone) === 1;

/** The known address of which the one read is a misreading; one of its parts must agree exactly. */
export function learnedAddress(
  read: Partial<LearnedAddress>,
  known: readonly LearnedAddress[],
): LearnedAddress | undefined {
  const near = (a: string | undefined, b: string, limit: number) =>
    a === undefined || editDistance(fold(a), fold(b), limit) <= limit;
  const same = (a: string | undefined, b: string) => a !== undefined && foldTight(a) === foldTight(b);
  return known.find(
    (address) =>
      near(read.postalCode, address.postalCode, MISREAD.postalCode) &&
      near(read.street, address.street, MISREAD.street) &&
      near(read.locality, address.locality, MISREAD.street) &&
      (same(read.street, address.street) || same(read.postalCode, address.postalCode)),
  );
}
