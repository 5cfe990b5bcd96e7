import { cardLines, type CardLine } from './cardLine';
import { chooseRoles, type Chosen, type Roles } from './chooseRoles';
import { companyFromDomain, isFreeMail } from './companyFromDomain';
import { confidenceOf } from './confidence';
import { findAddress, looksLikeStreet, type AddressPart } from './findAddress';
import { findEmails, type FoundAddress } from './findEmails';
import { findPhoneCandidates, placePhone, type PhoneCandidate } from './findPhones';
import { findWebsites } from './findWebsites';
import { fold, foldTight } from './fold';
import { guessCountry } from './guessCountry';
import { naturalCompany, naturalTitle } from './naturalCase';
import { splitName } from './personName';
import type { CardProposal, FieldName, FieldProposal, SourceSpan } from './proposal';
import { onlineLabels, registrationPattern, yearPattern } from './tables/labels';
import { countryNames } from './tables/addressWords';
import { repairAccents, repairLine } from './repairText';
import type { Reading, ReadLine } from './types';

export interface ProposeOptions {
  /** ISO 3166 code assumed where the card itself does not tell its country. */
  assumedCountry?: string;
}

/**
 * Turns what the engine read on a card into proposals for the fields of a person: addresses and
 * numbers by their form, then the postal address around its code, then name, company, title and
 * department in one joint choice among the lines that are left.
 */
export function proposeFields(reading: Reading, options: ProposeOptions = {}): CardProposal {
  const repaired = reading.lines.map(repairLine);
  const emails = findEmails(repaired);
  const websites = findWebsites(
    repaired,
    emails.map((e) => e.source),
  );
  reconcileDomains(emails, websites);
  reconcileRepeats(emails, repaired);
  const online = [...emails, ...websites].map((a) => a.source);
  const phoneCandidates = findPhoneCandidates(repaired, online);
  const domains = unique([...emails, ...websites].map((a) => a.domain));
  const country = guessCountry(repaired, phoneCandidates, domains, options.assumedCountry);
  const lines = repaired.map((line) => repairAccents(line, country));
  const geometry = cardLines({ ...reading, lines });
  const numberLines = new Set(phoneCandidates.filter((c) => placePhone(c, country)).map((c) => c.source.line));
  const open = geometry.filter((line) => isOpen(line, online, numberLines));
  const localParts = emails.map((e) => e.value.slice(0, e.value.indexOf('@')));
  const evidence = { localParts, domains };

  const addressLines = open.filter((line) => !registrationPattern.test(line.text));
  const firstAddress = findAddress(addressLines, country);
  const addressOwned = linesOf(Object.values(firstAddress));
  const roles = chooseRoles(
    open.filter((line) => !addressOwned.has(line.index) && mayHoldRole(line)),
    evidence,
  );
  const roleOwned = new Set(
    Object.values(roles).flatMap((chosen: Chosen | undefined) => chosen?.candidate.lines.map((l) => l.index) ?? []),
  );
  const address = findAddress(
    addressLines.filter((line) => !roleOwned.has(line.index)),
    country,
  );

  const fields = [
    ...nameFields(roles, country, localParts),
    ...roleFields(roles, country),
    ...companyField(roles, geometry, domains),
    ...emails.map((e): Draft => ({
      field: 'email',
      value: e.value,
      sources: [e.source],
      trust: 6,
      reasons: ['has the form of an e-mail address'],
    })),
    ...phoneFields(phoneCandidates, address.postalCode?.sources ?? [], country),
    ...websites.map((w): Draft => ({
      field: 'website',
      value: w.value,
      sources: [w.source],
      trust: 5,
      reasons: ['has the form of a web address'],
    })),
    ...addressFields(address),
  ];
  const proposals = withoutRepeats(fields).map((draft): FieldProposal => {
    const { trust, ...proposal } = draft;
    return { ...proposal, confidence: confidenceOf(lines, draft.sources, draft.field, trust) };
  });
  const claimed = new Set(proposals.flatMap((p) => p.sources.map((s) => s.line)));
  return {
    fields: proposals,
    looseLines: lines.map((_, i) => i).filter((i) => !claimed.has(i)),
    country: address.country?.value ?? country,
  };
}

/** A proposal before its confidence is known; `trust` is the log-odds that its role is right. */
type Draft = Omit<FieldProposal, 'confidence'> & { trust: number };

const unique = <T>(values: readonly T[]): T[] => [...new Set(values)];

const linesOf = (parts: readonly (AddressPart | undefined)[]): Set<number> =>
  new Set(parts.flatMap((part) => part?.sources.map((s) => s.line) ?? []));

/** Lines with more to say than an address or number with its label. */
function isOpen(line: CardLine, online: readonly SourceSpan[], numberLines: ReadonlySet<number>): boolean {
  if (numberLines.has(line.index)) return false;
  const spans = online.filter((s) => s.line === line.index);
  if (spans.length === 0) return true;
  let rest = line.text;
  for (const span of [...spans].sort((a, b) => b.from - a.from)) rest = rest.slice(0, span.from) + rest.slice(span.to);
  const words = fold(rest)
    .replace(/[^a-z\s-]/g, ' ')
    .trim()
    .split(/\s+/)
    .filter(Boolean);
  return words.filter((w) => !onlineLabels.test(w)).join('').length > 6;
}

/** Registers, years, handles, lone countries and street lines are never a name, title or company. */
const mayHoldRole = (line: CardLine): boolean =>
  !registrationPattern.test(line.text) &&
  !yearPattern.test(line.text) &&
  !/^\W*@|^in\//.test(line.text) &&
  !countryNames[line.text.trim().toLowerCase()] &&
  !(
    looksLikeStreet(line.text) &&
    /^\d|\d$/.test(line.text.trim()) &&
    !/\p{L}{3,}.*\p{L}{3,}.*\p{L}{3,}/u.test(line.text)
  );

/**
 * Two domains that differ in one or two letters are one: the spelling that the engine is surer of
 * is not known here, so the one printed more often wins, else that of the web address.
 */
function reconcileDomains(emails: FoundAddress[], websites: FoundAddress[]): void {
  for (const email of emails) {
    const near = websites.find((w) => w.domain !== email.domain && editDistance(w.domain, email.domain) <= 1);
    if (!near) continue;
    const votes = (domain: string) => [...emails, ...websites].filter((a) => a.domain === domain).length;
    const [from, to] =
      votes(email.domain) > votes(near.domain) ? [near.domain, email.domain] : [email.domain, near.domain];
    for (const address of [...emails, ...websites]) {
      if (address.domain !== from) continue;
      address.value = address.value.replace(from, to);
      address.domain = to;
    }
  }
}

/** An address printed twice and read in two ways is one: the spelling whose least sure character is surer. */
function reconcileRepeats(emails: FoundAddress[], lines: readonly ReadLine[]): void {
  const certainty = (e: FoundAddress) =>
    Math.min(...lines[e.source.line]!.characters.slice(e.source.from, e.source.to).map((c) => c.probability));
  for (const email of emails) {
    const better = emails.find(
      (o) =>
        o !== email &&
        o.value !== email.value &&
        editDistance(o.value, email.value) <= 1 &&
        certainty(o) > certainty(email),
    );
    if (better) email.value = better.value;
  }
}

/** Levenshtein distance, stopped at 2. */
function editDistance(a: string, b: string): number {
  if (Math.abs(a.length - b.length) > 1) return 2;
  let i = 0;
  while (i < Math.min(a.length, b.length) && a[i] === b[i]) i++;
  const rests = [
    [a.slice(i + 1), b.slice(i + 1)],
    [a.slice(i + 1), b.slice(i)],
    [a.slice(i), b.slice(i + 1)],
  ];
  if (a === b) return 0;
  return rests.some(([x, y]) => x === y) ? 1 : 2;
}

const spansOf = (chosen: Chosen): SourceSpan[] =>
  chosen.candidate.lines.map((line) => ({ line: line.index, from: 0, to: line.text.length }));

function nameFields(roles: Roles, country: string | undefined, localParts: readonly string[]): Draft[] {
  if (!roles.name) return [];
  const { name } = roles;
  const parts = splitName(name.candidate.text, country, localParts);
  return (['prefix', 'givenName', 'middleName', 'familyName', 'suffix'] as const).flatMap((field): Draft[] => {
    const value = parts[field];
    if (!value) return [];
    return [{ field, value, sources: spansWithin(name, value), trust: name.score, reasons: name.reasons }];
  });
}

/** The part of the chosen lines that holds the words of `value`, whatever their case; else all of them. */
function spansWithin(chosen: Chosen, value: string): SourceSpan[] {
  const spans = chosen.candidate.lines.flatMap((line): SourceSpan[] => {
    const words = value.split(/[\s,]+/).filter(Boolean);
    const folded = fold(line.text);
    // Folding keeps places unless a letter becomes two.
    const comparable = folded.length === line.text.length ? fold : (text: string) => text.toLowerCase();
    const hay = comparable(line.text);
    const hits = words.flatMap((word) => {
      const at = hay.indexOf(comparable(word));
      return at < 0 ? [] : [{ from: at, to: at + word.length }];
    });
    if (hits.length === 0) return [];
    return [{ line: line.index, from: Math.min(...hits.map((h) => h.from)), to: Math.max(...hits.map((h) => h.to)) }];
  });
  return spans.length > 0 ? spans : spansOf(chosen);
}

function roleFields(roles: Roles, country: string | undefined): Draft[] {
  return (['title', 'department'] as const).flatMap((field): Draft[] => {
    const chosen = roles[field];
    if (!chosen) return [];
    const text = chosen.candidate.text.replace(/[\s,;|·]+$/, '');
    return [
      {
        field,
        value: naturalTitle(text, country),
        sources: spansOf(chosen),
        trust: chosen.score,
        reasons: chosen.reasons,
      },
    ];
  });
}

function companyField(roles: Roles, geometry: readonly CardLine[], domains: readonly string[]): Draft[] {
  if (roles.company) {
    const fullest = fullestForm(roles.company, roles, geometry);
    const value = naturalCompany(fullest.text.replace(/^[\s|·•]+|[\s|·•,;]+$/g, ''));
    return [
      {
        field: 'company',
        value,
        sources: fullest.lines.map((line) => ({ line: line.index, from: 0, to: line.text.length })),
        trust: roles.company.score - 0.5,
        reasons: roles.company.reasons,
      },
    ];
  }
  const domain = domains.find((d) => !isFreeMail(d));
  const value = domain && companyFromDomain(domain);
  return value ? [{ field: 'company', value, sources: [], trust: 1, reasons: [`read out of ${domain}`] }] : [];
}

/** A short and a long form of one name on a card: the longest printed line that begins with the chosen one. */
function fullestForm(
  company: Chosen,
  roles: Roles,
  geometry: readonly CardLine[],
): { text: string; lines: readonly CardLine[] } {
  const taken = new Set([roles.name, roles.title, roles.department].flatMap((r) => r?.candidate.lines ?? []));
  const key = foldTight(company.candidate.text);
  const longer = geometry
    .filter((line) => !taken.has(line) && !/[@\d]|www/.test(line.text) && !/\.\p{Ll}{2,}$/u.test(line.text))
    .filter(
      (line) =>
        foldTight(line.text).startsWith(key) &&
        foldTight(line.text).length > key.length &&
        line.text.length < key.length + 24,
    )
    .sort((a, b) => b.text.length - a.text.length)[0];
  return longer ? { text: longer.text, lines: [longer] } : company.candidate;
}

function phoneFields(
  candidates: readonly PhoneCandidate[],
  postcode: readonly SourceSpan[],
  country: string | undefined,
): Draft[] {
  return candidates.flatMap((candidate): Draft[] => {
    if (
      postcode.some(
        (p) => p.line === candidate.source.line && p.from < candidate.source.to && candidate.source.from < p.to,
      )
    )
      return [];
    const phone = placePhone(candidate, country);
    if (!phone) return [];
    return [
      {
        field: 'phone',
        value: phone.value,
        phoneKind: phone.kind,
        extension: phone.extension,
        sources: [phone.source],
        trust: (phone.valid ? 4 : 2) + (phone.labelled ? 2 : 0),
        reasons: [
          phone.valid ? 'is a valid number' : 'is a possible number',
          ...(phone.labelled ? ['has a label'] : []),
        ],
      },
    ];
  });
}

function addressFields(address: ReturnType<typeof findAddress>): Draft[] {
  return (['street', 'postalCode', 'locality', 'region', 'country'] as const).flatMap(
    (field: FieldName & keyof typeof address): Draft[] => {
      const part = address[field];
      if (!part) return [];
      return [
        {
          field,
          value: part.value,
          sources: part.sources,
          trust: address.postalCode ? 3.5 : 1,
          reasons: ['is part of the postal address'],
        },
      ];
    },
  );
}

/** The same address or number printed twice is one proposal with both places. */
function withoutRepeats(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = [];
  for (const draft of drafts) {
    const twin = kept.find((k) => k.field === draft.field && k.value === draft.value && k.field !== 'company');
    if (twin) twin.sources = [...twin.sources, ...draft.sources];
    else kept.push({ ...draft });
  }
  return kept;
}
