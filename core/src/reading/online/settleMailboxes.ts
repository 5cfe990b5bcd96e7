import { because, type Reason } from '../reasons';
import { asciiSpellings, fold, foldTight } from '../../text';
import { domainLabel } from '../../text/domains';
import { withoutLegalForm } from '../../text/legalForm';
import { isMadeOf } from '../names';
import type { ReadLine } from '../types';
import { toAddressLetters, type FoundAddress } from './findEmails';

/** What the rest of the card says about whose mailbox it is. */
export interface MailboxEvidence {
  name: string;
  company: string;
  /** The domains of the card. */
  domains: readonly string[];
  lines: readonly ReadLine[];
}

/** One way to read a mailbox, with what speaks for it. */
interface Hypothesis {
  /** What is before the sign. */
  local: string;
  /** Where it begins in its line. */
  from: number;
  /** Log-odds before anything is known. */
  prior: number;
  /** What speaks for it: kinds of evidence that know nothing of each other. */
  evidence: { kind: string; weight: number }[];
  reason: Reason;
}

const AS_READ = 2;
/** Where the way that is chosen leads by less, or leans on one thing alone, both are shown. */
const SURE_LEAD = 1.5;

/**
 * Reads each mailbox in every way that may be meant: as it was read, without a label or an icon that was read as its first letters, with a
 * beginning that a blank was read behind, with a letter that looks like another one. Each way is weighed by what the card says elsewhere: who
 * and what firm it is of, how its other lines are labelled, how far the letters stand apart. Only what two things speak for that know nothing
 * of each other changes what was read without a word; else the likelier is shown as a doubt and the other offered.
 */
export const settleMailboxes = (emails: readonly FoundAddress[], evidence: MailboxEvidence): FoundAddress[] =>
  emails.map((email) => settled(email, evidence));

function settled(email: FoundAddress, evidence: MailboxEvidence): FoundAddress {
  const at = email.value.indexOf('@');
  const local = email.value.slice(0, at);
  const asRead: Hypothesis = {
    local,
    from: email.source.from,
    prior: AS_READ,
    reason: because('asRead'),
    evidence: evidenceOf(local, email, evidence),
  };
  const others = [
    ...withoutLabel(email, local, evidence),
    ...withBeginning(email, local, evidence),
    ...withNameLetters(email, local, evidence),
  ].map((way) => ({ ...way, evidence: [...way.evidence, ...evidenceOf(way.local, email, evidence)] }));
  const ways = [asRead, ...others].toSorted((a, b) => worth(b) - worth(a));
  const [best, rival] = ways as [Hypothesis, Hypothesis | undefined];
  if (!rival) return email;
  const lead = worth(best) - worth(rival);
  const addressOf = (way: Hypothesis) => way.local + email.value.slice(at);
  const kinds = new Set(best.evidence.map(({ kind }) => kind));
  const isSure = lead >= SURE_LEAD && (best === asRead || kinds.size >= 2);
  const isOffered = !isSure && (best !== asRead || rival.evidence.length > 0);
  if (best === asRead && !isOffered) return email;
  return {
    ...email,
    value: addressOf(best),
    ...(best !== asRead && {
      repaired: true,
      raw: email.raw ?? email.value,
      source: { ...email.source, from: best.from },
    }),
    ...(isOffered && {
      rivals: [{ value: addressOf(rival), reason: rival.reason }],
      doubt: best === asRead ? { ...because('mayBeMeant', addressOf(rival)), why: rival.reason } : { ...because('wasReadAs', email.value), why: best.reason },
    }),
  }; // prettier-ignore
}

const worth = ({ prior, evidence }: Hypothesis): number => evidence.reduce((sum, { weight }) => sum + weight, prior);

/** Mailboxes that belong to nobody. */
const FUNCTIONS =
  /^(?:info|kontakt|contact|contacto|contato|contatti|office|mail|sales|verkauf|vente|ventas|hello|hallo|hola|bonjour|post|service|support|team|admin|marketing|export|orders|bestellung|commande|reception|rezeption|studio|shop|atelier|booking|enquiries|mairie|secretariat|sekretariat|buero|bureau|ufficio|biuro|kancelaria)$/;

/** What accounts for a whole mailbox: the name, the firm, or what it is for. */
function evidenceOf(
  local: string,
  { domain }: FoundAddress,
  { name, company }: MailboxEvidence,
): Hypothesis['evidence'] {
  const key = foldTight(local);
  const firm = withoutLegalForm(company)
    .split(/[\s&.,/-]+/)
    .flatMap(asciiSpellings)
    .filter((word) => word.length > 2);
  const rest = [...firm, domainLabel(domain)].toSorted((a, b) => b.length - a.length).reduce((left, word) => left.replace(foldTight(word), ''), key); // prettier-ignore
  if (name !== '' && isMadeOf(name, local)) return [{ kind: 'name', weight: 2.5 }];
  if (rest === '' && key.length > 3) return [{ kind: 'firm', weight: 2.5 }];
  if (FUNCTIONS.test(fold(local))) return [{ kind: 'function', weight: 2.5 }];
  // "borost.laundry" of Borost: what is longer than a label, and all but it, is told by the card.
  return rest.length < key.length / 2 && key.length > 5 ? [{ kind: 'firm', weight: 0.4 }] : [];
}

/** A word for a mailbox that was read as its beginning, and a letter, a digit or a sign that an icon was read as. */
const WORD_LABEL = /^(?:e-?mail|mail|mel|correo|posta|epost)[.:_-]?/;
const LETTER_LABEL = /^[a-z\d][.:]?/;
/** How often one is what a mailbox is labelled with, against letters of mailboxes themselves. No icon is read with a point behind it. */
const priorOf = (label: string): number => (/^(?:e|[^a-z])/.test(label) ? 0 : label.startsWith('m') ? -0.7 : label.length > 1 ? -3 : -1.5); // prettier-ignore
/** Other lines that begin with a letter for what they are: "T 0172 60 44 11". */
const LABELLED_LINE = /^\s*(?:[TMFPDCOWtmfpdcow]\s?[.:|]?\s?(?=[+(\d])|[TMFPDCOWAtmfpdcowa]\s*[.:|]\s)/u;
/** Distances between letters that are so much longer than most have a blank in them that was not read. */
const GAP = 1.45;

function withoutLabel(email: FoundAddress, local: string, { lines }: MailboxEvidence): Hypothesis[] {
  const { line, from } = email.source;
  const read = lines[line]!;
  const before = read.text.slice(0, from);
  // A label stands at the beginning of its line, or behind a separator.
  if (/[\p{L}\d]\s*$/u.test(before)) return [];
  const printed = read.text.slice(from);
  const isCapital = /^\p{Lu}[.:]?\p{Ll}/u.test(printed);
  const isLabelled = lines.some(({ text }, i) => i !== line && LABELLED_LINE.test(text));
  return [WORD_LABEL, LETTER_LABEL].flatMap((label): Hypothesis[] => {
    const cut = label.exec(local)?.[0] ?? '';
    const rest = local.slice(cut.length);
    if (cut === '' || rest.length < 2 || !/^[a-z]/.test(rest)) return [];
    if (toAddressLetters(printed.slice(0, cut.length)) !== cut) return [];
    const isWord = label === WORD_LABEL;
    return [
      {
        local: rest,
        from: from + cut.length,
        prior: isWord ? 1 : priorOf(cut),
        reason: because('mayBeLabel', printed.slice(0, cut.length)),
        evidence: [
          ...(isCapital ? [{ kind: 'capital', weight: 1 }] : []),
          ...(isLabelled && (isWord || priorOf(cut) > -1) ? [{ kind: 'labels', weight: 1 }] : []),
          ...(gapBehind(read, from, from + printed.indexOf('@'), cut.length) > GAP ? [{ kind: 'gap', weight: 1.2 }] : []),
        ],
      },
    ]; // prettier-ignore
  });
}

/** The distance behind the first letters of a part of a line, in those that are usual in it. */
function gapBehind({ characters }: ReadLine, from: number, to: number, letters: number): number {
  const places = characters.slice(from, to).map(({ at }) => at);
  const steps = places.slice(1).map((at, i) => at - places[i]!);
  const usual = steps.toSorted((a, b) => a - b)[steps.length >> 1] ?? 0;
  return usual > 0 ? (steps[letters - 1] ?? 0) / usual : 0;
}

/** The first part of a mailbox that a blank was read behind: "Gerasimo. Costantino@", "anna _kelder@"; what is lost at its end may be its sign. */
const SPLIT_OFF = /(?<![\p{L}\d])(\p{L}[\p{L}\d]*)([._-]?)\s$/u;

function withBeginning(email: FoundAddress, local: string, { lines, name }: MailboxEvidence): Hypothesis[] {
  const { line, from } = email.source;
  const before = SPLIT_OFF.exec(lines[line]!.text.slice(0, from));
  if (!before) return [];
  const [, word, sign] = before as unknown as [string, string, string];
  const joined = toAddressLetters(word + (sign === '' && !/^[._-]/.test(local) ? '_' : sign) + local);
  // A label stands before mailboxes too: only what the name accounts for is a part of one.
  const isSmall = /^\p{Ll}/u.test(word);
  if (!isMadeOf(name, joined) || (sign === '' && !isSmall && isMadeOf(name, local))) return [];
  return [
    {
      local: joined,
      from: before.index,
      prior: 1,
      reason: because('partBefore', word),
      evidence: [
        ...(sign === '' ? [] : [{ kind: 'sign', weight: 3 }]),
        ...(isSmall ? [{ kind: 'case', weight: 2 }] : []),
      ],
    },
  ];
}

/** What print and engine confuse in addresses. */
const LOOK_ALIKES = ['1li', '0o', '5s', '8b', '2z', '6b', '9gq', 'uv', 'ce'];
/** Above this the engine's character stands, whatever the name says. */
const SURE = 0.98;

/** A character of a mailbox that looks like another one, where the printed name has the same word but for that ("ne1la@" of Nella Voss). */
function withNameLetters(email: FoundAddress, local: string, { lines, name }: MailboxEvidence): Hypothesis[] {
  const words = name.split(/[\s-]+/).flatMap(asciiSpellings).filter((word) => word.length > 3); // prettier-ignore
  const { line, from, to } = email.source;
  const characters = lines[line]!.characters.slice(from, to).filter(({ text }) => text.trim() !== '');
  return [...local.matchAll(/[a-z\d]{4,}/g)].flatMap((token): Hypothesis[] => {
    const word = words.find((one) => one.length === token[0].length && isOneLookAlikeOff(token[0], one));
    if (!word || words.includes(token[0])) return [];
    const off = [...word].findIndex((letter, i) => letter !== token[0][i]);
    const { probability = 0, alternatives = [] } = characters[token.index + off] ?? {};
    if (probability > SURE) return [];
    const wasSeen = alternatives.some(({ text }) => fold(text) === word[off]);
    return [
      {
        local: local.slice(0, token.index) + word + local.slice(token.index + word.length),
        from,
        prior: 0.5,
        reason: because('inName', word),
        evidence: [
          { kind: 'word', weight: 2 },
          ...(wasSeen || probability < 0.9 ? [{ kind: 'engine', weight: 1.5 }] : []),
        ],
      },
    ];
  });
}

function isOneLookAlikeOff(a: string, b: string): boolean {
  const off = [...a].flatMap((letter, i) => (letter === b[i] ? [] : [i]));
  const [at] = off;
  return off.length === 1 && LOOK_ALIKES.some((set) => set.includes(a[at!]!) && set.includes(b[at!]!));
}
