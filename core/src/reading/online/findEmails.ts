import { because, type Reason } from '../reasons';
import { editDistance, fold, foldTight } from '../../text';
import { isKnownDomain } from '../../text/domains';
import { freeMailDomains } from '../../text/tables/companyWords';
import { isNextInBlock, type CardLine } from '../cardLine';
import type { RunnerUp, SourceSpan } from '../proposal';
import type { ReadLine } from '../types';

export interface FoundAddress {
  value: string;
  domain: string;
  /** Whether another place on the card has set its letters right. */
  repaired?: boolean;
  /** What was read, where that differs from `value`. */
  raw?: string;
  /** Other ways to read it, and why a person should look. */
  rivals?: readonly RunnerUp[];
  doubt?: Reason;
  source: SourceSpan;
  /** Where it goes on, when it is printed on two lines. */
  rest?: SourceSpan;
}

const EMAIL = /[\p{L}\d][\p{L}\d._%+-]*\s?@\s?[\p{L}\d-]+(?:\s?[.,]\s?[\p{L}\d-]+)*(?:\s?\.\s?\p{L}+)/gu;

/** E-mail addresses (the common form of RFC 5321 mailboxes) in printed lines; blanks beside `@` and `.` are closed up. */
export const findEmails = (lines: readonly ReadLine[]): FoundAddress[] =>
  mailboxesIn(lines).filter(({ domain }) => isKnownDomain(domain));

/**
 * E-mail addresses under a domain that cannot be, where one letter more, less or other makes it one that stands on the
 * card, or a provider's of free mailboxes: "…@quayside.ft" beside www.quayside.fr.
 * @param domains those on the card
 */
export function findMisspeltEmails(lines: readonly ReadLine[], domains: readonly string[]): FoundAddress[] {
  return mailboxesIn(lines).flatMap(({ value, domain, source }): FoundAddress[] => {
    if (isKnownDomain(domain)) return [];
    const right = [...domains, ...freeMailDomains].find((known) => editDistance(known, domain, 1) <= 1);
    if (!right) return [];
    return [{ value: value.slice(0, -domain.length) + right, domain: right, repaired: true, raw: value, source }];
  });
}

/** A mailbox under a domain without a point, and the endings before which one may have been lost. */
const UNDOTTED = /(?<![\p{L}\d])[\p{L}\d][\p{L}\d._%+-]*\s?@\s?[\p{L}\d-]{5,}(?![\p{L}\d.,@-])/gu;
const ENDINGS = /(?<=..)(?:example|info|com|net|org)$/;

/**
 * E-mail addresses whose last point was lost in reading: "ida@quaysideexample". Where the domain stands elsewhere on the card it is that, else a
 * person looks.
 * @param domains those on the card
 */
export function findUndottedEmails(lines: readonly ReadLine[], domains: readonly string[]): FoundAddress[] {
  return lines.flatMap((line, index) =>
    [...line.text.matchAll(UNDOTTED)].flatMap((match): FoundAddress[] => {
      const raw = toAddressLetters(match[0]);
      const printed = domainOf(raw);
      const known = domains.find((domain) => domain.replace(/\./g, '') === printed);
      const domain = known ?? printed.replace(ENDINGS, '.$&');
      if (!isKnownDomain(domain)) return [];
      const doubt = known ? undefined : { ...because('wasReadAs', raw), why: because('pointLost') };
      const source = { line: index, from: match.index, to: match.index + match[0].length };
      return [{ value: raw.slice(0, -printed.length) + domain, domain, repaired: true, raw, source, doubt }];
    }),
  );
}

/** The end of a line that breaks off within an address, and the whole of one that may be its other half. */
const BROKEN_OFF = /[\p{L}\d][\p{L}\d._%+-]*@[\p{L}\d.-]*$/u;
const OTHER_HALF = /^[\p{L}\d.-]+$/u;

/** E-mail addresses that go on in the next line of their column: "m.oberhauser@seilbahntechnik-" and "oberhauser.example". */
export function findBrokenEmails(lines: readonly ReadLine[], geometry: readonly CardLine[]): FoundAddress[] {
  return geometry.flatMap((upper): FoundAddress[] => {
    const half = BROKEN_OFF.exec(lines[upper.index]!.text);
    const lower =
      half && geometry.find((line) => isNextInBlock(upper, line) && OTHER_HALF.test(lines[line.index]!.text));
    if (!lower || isKnownDomain(domainOf(toAddressLetters(half[0])))) return [];
    const rest = lines[lower.index]!.text;
    if (!/[@.-]$/.test(half[0]) && !/^[.-]/.test(rest)) return [];
    const value = toAddressLetters(half[0] + rest);
    const source = { line: upper.index, from: half.index, to: half.index + half[0].length };
    const found = { value, domain: domainOf(value), source, rest: { line: lower.index, from: 0, to: rest.length } };
    return isKnownDomain(found.domain) ? [found] : [];
  });
}

/** What is the beginning of a mailbox and nothing else: "p.thorneycroft-". */
const FIRST_HALF = /^[\p{Ll}\d._+-]*[._-]$/u;

/** Gives mailboxes that begin their line what ends the line above: "p.thorneycroft-" and "hale@thorneycrofthale.example". */
export const joinBrokenMailboxes = (
  emails: readonly FoundAddress[],
  lines: readonly ReadLine[],
  geometry: readonly CardLine[],
): FoundAddress[] =>
  emails.map((email) => {
    if (email.rest || email.source.from > 0) return email;
    const lower = geometry.find(({ index }) => index === email.source.line)!;
    const upper = geometry.find((line) => isNextInBlock(line, lower) && FIRST_HALF.test(lines[line.index]!.text));
    if (!upper) return email;
    const half = lines[upper.index]!.text;
    const source = { line: upper.index, from: 0, to: half.length };
    return { ...email, value: toAddressLetters(half) + email.value, source, rest: email.source };
  });

const domainOf = (mailbox: string): string => mailbox.slice(mailbox.indexOf('@') + 1);

const mailboxesIn = (lines: readonly ReadLine[]): FoundAddress[] =>
  lines.flatMap((line, index) =>
    [...line.text.matchAll(EMAIL)].map((match) => {
      const value = toAddressLetters(withOe(match[0], lines)).replace(/,/g, '.');
      return {
        value,
        domain: domainOf(value),
        source: { line: index, from: match.index, to: match.index + match[0].length },
      };
    }),
  );

/** In an address æ is what "oe" was read as in narrow type, where another line has the word with that: "d.mærman@". */
function withOe(address: string, lines: readonly ReadLine[]): string {
  if (!address.includes('æ')) return address;
  const words = address
    .replace(/æ/g, 'oe')
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 3 && word.includes('oe'));
  const isPrinted = words.some((word) =>
    lines.some(({ text }) => !text.includes('@') && foldTight(text).includes(fold(word))),
  );
  return isPrinted ? address.replace(/æ/g, 'oe') : address;
}

/** Letters as they occur in addresses: an accent seen there is a misreading. */
export const toAddressLetters = (text: string): string => fold(text.replace(/\s+/g, ''));
