import { editDistance, asciiSpellings, foldTight } from '../../text';
import { domainLabel } from '../../text/domains';
import { withoutLegalForm } from '../../text/legalForm';
import { toAddressLetters, type FoundAddress } from './findEmails';
import { splitMerged } from '../repair';
import { isMadeOf } from '../names';
import type { ReadLine } from '../types';

/** A web address of which only what is behind a hyphen was read: "vets.ie" beside info@corelund-vets.ie. */
export function completeDomains(websites: readonly FoundAddress[], emails: readonly FoundAddress[]): void {
  for (const website of websites) {
    const whole = emails.find(({ domain }) => domain.endsWith(`-${website.domain}`))?.domain;
    if (!whole) continue;
    website.raw ??= website.value;
    website.value = website.value.replace(website.domain, whole);
    website.domain = whole;
    website.repaired = true;
  }
}

/**
 * Two domains that differ in one or two letters are one: the spelling that the engine is surer of
 * is not known here, so the one printed more often wins, else that of the web address.
 */
export function reconcileDomains(emails: FoundAddress[], websites: FoundAddress[]): void {
  for (const email of emails) {
    const near = websites.find((w) => w.domain !== email.domain && editDistance(w.domain, email.domain, 1) <= 1);
    if (!near) continue;
    const votes = (domain: string) => [...emails, ...websites].filter((a) => a.domain === domain).length;
    const [from, to] =
      votes(email.domain) > votes(near.domain) ? [near.domain, email.domain] : [email.domain, near.domain];
    for (const address of [...emails, ...websites]) {
      if (address.domain !== from) continue;
      address.raw ??= address.value;
      address.value = address.value.replace(from, to);
      address.domain = to;
      address.repaired = true;
    }
  }
}

/** An address printed twice and read in two ways is one: the spelling whose least sure character is surer. */
export function reconcileRepeats(emails: FoundAddress[], lines: readonly ReadLine[]): void {
  const certainty = (e: FoundAddress) =>
    Math.min(...lines[e.source.line]!.characters.slice(e.source.from, e.source.to).map((c) => c.probability));
  for (const email of emails) {
    const better = emails.find(
      (o) =>
        o !== email &&
        o.value !== email.value &&
        editDistance(o.value, email.value, 1) <= 1 &&
        certainty(o) > certainty(email),
    );
    if (!better) continue;
    email.raw ??= email.value;
    email.value = better.value;
    email.repaired = true;
  }
}

/** What print and engine confuse in addresses. */
const LOOK_ALIKES = ['1li', '0o', '5s', '8b', '2z', '6b', '9gq', 'uv', 'ce'];
/** Above this the engine's character stands, whatever the name says. */
const SURE = 0.98;

/**
 * Sets a look-alike in the part before the `@` right where the printed name has the same word but for
 * that character ("ne1la@" of Nella Voss), and the engine was not sure of it.
 */
export function reconcileWithName(emails: readonly FoundAddress[], name: string, lines: readonly ReadLine[]): void {
  const words = name
    .split(/[\s-]+/)
    .flatMap(asciiSpellings)
    .filter((w) => w.length > 3);
  for (const email of emails) {
    const at = email.value.indexOf('@');
    const { line, from, to } = email.source;
    const characters = lines[line]!.characters.slice(from, to).filter((c) => c.text.trim() !== '');
    for (const token of email.value.slice(0, at).matchAll(/[a-z\d]{4,}/g)) {
      const word = words.find((w) => w.length === token[0].length && isOneLookAlikeOff(token[0], w));
      if (!word || words.includes(token[0])) continue;
      const off = [...word].findIndex((letter, i) => letter !== token[0][i]);
      if ((characters[token.index + off]?.probability ?? 0) > SURE) continue;
      email.raw ??= email.value;
      email.value = email.value.slice(0, token.index) + word + email.value.slice(token.index + word.length);
      email.repaired = true;
    }
  }
}

/** Sets a letter that was read for two right where the printed firm has both: "thomette.example" of Thornette Ltd. */
export function reconcileWithCompany(addresses: readonly FoundAddress[], company: string): void {
  const key = foldTight(withoutLegalForm(company));
  for (const address of addresses) {
    const label = domainLabel(address.domain);
    const right = splitMerged(label, key);
    if (!right) continue;
    address.raw ??= address.value;
    const domain = address.domain.replace(label, right);
    address.value = address.value.replace(address.domain, domain);
    address.domain = domain;
    address.repaired = true;
  }
}

/** Labels and icons that are read as a letter before an address without a blank between. */
const GLUED = /^(?:[EM](?=\p{Ll})|[\dI])/u;

/**
 * Takes away a label or icon that was read as the first letter of an address ("Eisaac.xavier@" of Isaac Xavier), where
 * the name accounts for every letter behind it and not for it.
 */
export function dropGluedLabels(emails: readonly FoundAddress[], name: string, lines: readonly ReadLine[]): void {
  for (const email of emails) {
    const local = email.value.slice(0, email.value.indexOf('@'));
    const printed = lines[email.source.line]!.text.slice(email.source.from);
    if (!GLUED.test(printed) || isMadeOf(name, local) || !isMadeOf(name, local.slice(1))) continue;
    email.raw ??= email.value;
    email.value = email.value.slice(1);
    email.repaired = true;
  }
}

/** The first part of a mailbox that a blank stands behind: "Gerasimo. Costantino@". */
const SPLIT_OFF = /(?<![\p{L}\d])(\p{L}[\p{L}\d]*[._-])\s$/u;

/** Puts the two parts of a mailbox together that was read with a blank in it, where the name accounts for both. */
export function joinSplitMailboxes(emails: readonly FoundAddress[], name: string, lines: readonly ReadLine[]): void {
  for (const email of emails) {
    const before = SPLIT_OFF.exec(lines[email.source.line]!.text.slice(0, email.source.from));
    const local = email.value.slice(0, email.value.indexOf('@'));
    const whole = before && toAddressLetters(before[1]! + local);
    if (!whole || !isMadeOf(name, whole)) continue;
    email.raw ??= email.value;
    email.value = whole + email.value.slice(local.length);
    email.source = { ...email.source, from: before.index };
    email.repaired = true;
  }
}

function isOneLookAlikeOff(a: string, b: string): boolean {
  const off = [...a].filter((letter, i) => letter !== b[i]);
  const at = [...a].findIndex((letter, i) => letter !== b[i]);
  return off.length === 1 && LOOK_ALIKES.some((set) => set.includes(a[at]!) && set.includes(b[at]!));
}
