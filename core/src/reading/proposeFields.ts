import { fold, foldTight } from '../text';
import { registeredDomain } from '../text/domains';
import { inCaseOf } from '../text/naturalCase';
import { cardLines, cutLine, piecesOfLine, spanOf, spansOverlap, type CardLine } from './cardLine';
import { chooseRoles, type Chosen, type Roles } from './roles';
import { confidenceOf, missingValues, shareDoubts, type JudgedCard } from './confidence';
import { crossCheck } from './codes';
import { findAddress, mayHoldAddress, placeAboveCode, type FoundPostalAddress } from './address';
import { findBrokenEmails, findEmails, findMisspeltEmails, joinBrokenMailboxes, type FoundAddress } from './online';
import { findPhoneCandidates, placePhone, type PhoneCandidate } from './phones';
import { findWebsites, joinBrokenWebsites } from './online';
import { guessCountry, type CountryGuess } from './country';
import { learnedAddress, learnedPhone, type Learned, type LearnedFirm } from './learning';
import { lostJoinedLetter } from './repair';
import { takeLostAtSigns } from './online';
import type { AddressPart } from './address';
import {
  FIELD_NAMES,
  type CardProposal,
  type FieldName,
  type FieldProposal,
  type RunnerUp,
  type SourceSpan,
} from './proposal';
import { readCode, type CodeValue } from './codes';
import { completeDomains, reconcileDomains, reconcileRepeats, reconcileWithCompany, settleMailboxes } from './online';
import { besideRegisters } from './phones';
import { repairName } from './online';
import { repairAccents, repairLine } from './repair';
import { repairTwins } from './repair';
import { repairWords } from './repair';
import { companyDraft, nameDrafts, titleDrafts } from './roles';
import { likenessToDomain, type CardEvidence } from './roles';
import { looksLikeStreet } from './address';
import { countryNames } from './tables/addressWords';
import { isRegistration, onlineLabels, yearPattern } from './tables/labels';
import type { Reading, ReadLine } from './types';
import type { UnscoredProposal } from './unscoredProposal';

/** A line as like the domain as this names the firm. */
const FIRM_OF_DOMAIN = 0.9;

export interface ProposeOptions {
  /** ISO 3166 code assumed where the card itself does not tell its country. */
  assumedCountry?: string;
  /** ISO 639-1 codes of languages expected beside the country's own: their letters are not repaired away. */
  languages?: readonly string[];
  /** What the workspace has learned from what people corrected. */
  learned?: Learned;
}

/**
 * Turns what the engine read on a card into proposals for the fields of a person, each with how likely a person would leave it as it is.
 */
export function proposeFields(reading: Reading, options: ProposeOptions = {}): CardProposal {
  const card = draftFields(reading, options);
  const fields = shareDoubts(
    card.drafts.map((draft): FieldProposal => {
      const { trust: _, certainty: __, ...proposal } = draft;
      return { ...proposal, confidence: confidenceOf(draft, card) };
    }),
  );
  const claimed = new Set(fields.flatMap((p) => p.sources.map((s) => s.line)));
  return {
    fields: inDeskOrder([...fields, ...missingValues(card)]),
    looseLines: card.lines.map((_, i) => i).filter((i) => !claimed.has(i)),
    country: card.country,
  };
}

/**
 * Addresses and numbers by their form, then the postal address around its code, then name, company, title and department in one joint choice
 * among the lines that are left; all of it is held against the codes on the card and what the workspace knows.
 */
export function draftFields(reading: Reading, options: ProposeOptions = {}): JudgedCard {
  const { learned } = options;
  const repaired = reading.lines.map(repairLine);
  const printed = cardLines({ ...reading, lines: repaired });
  const emails = [...findEmails(repaired), ...findBrokenEmails(repaired, printed)];
  joinBrokenMailboxes(emails, repaired, printed);
  const websites = findWebsites(repaired, emails.flatMap(spansOfAddress));
  joinBrokenWebsites(websites, printed);
  const printedDomains = unique([...emails, ...websites].map((a) => a.domain));
  emails.push(...findMisspeltEmails(repaired, printedDomains));
  completeDomains(websites, emails);
  reconcileDomains(emails, websites);
  reconcileRepeats(emails, repaired);
  const online = [...emails, ...websites].flatMap(spansOfAddress);
  const phoneCandidates = findPhoneCandidates(repaired, online);
  const said = (reading.codes ?? []).flatMap((code) => readCode(code.text));
  const saidDomains = said.flatMap((v) => (v.field === 'email' ? [v.value.slice(v.value.indexOf('@') + 1)] : []));
  const domains = unique([...emails, ...websites].map((a) => a.domain));
  const { country, rival } = guessCountry(
    repaired,
    phoneCandidates,
    [...domains, ...saidDomains],
    said.filter((v) => v.field === 'phone').map((v) => v.value),
    options.assumedCountry,
  );
  const lines = repairTwins(
    repaired
      .map((line) => repairAccents(line, country, options.languages))
      .map((line) => repairName(repairWords(line), emails, repaired)),
  );
  const geometry = cardLines({ ...reading, lines });
  const numbers = phoneCandidates.filter((c) => placePhone(c, country)).flatMap(spansOfNumber);
  const isOnNumberLine = (line: CardLine) => numbers.some((n) => n.line === line.index);
  const open = geometry.filter((line) => !isOnNumberLine(line)).flatMap((line) => besideOnline(line, online));
  const localParts = emails.map((e) => e.value.slice(0, e.value.indexOf('@')));
  const firms = unique(domains.map(registeredDomain)).flatMap((domain) => learned?.firms[domain] ?? []);
  const widest = Math.max(0, ...geometry.map(({ left, right }) => right - left));
  const evidence = { localParts, domains, widest, ...whatIsKnown(said, firms, learned) };

  const besideNumbers = geometry
    .filter(isOnNumberLine)
    .flatMap((line) => cutLine(line, spansOn(line, [...numbers, ...online])))
    .filter((piece) => mayHoldAddress(piece.text));
  // "FITZMAURICE STUDIO" is no house where the domain is called so.
  const isFirm = ({ text }: CardLine) => !/\d/.test(text) && likenessToDomain(text, evidence) >= FIRM_OF_DOMAIN;
  const addressLines = [...open, ...besideNumbers].flatMap(besideRegisters).filter((line) => !isFirm(line));
  const firstAddress = findAddress(addressLines, country);
  const addressOwned = linesOf(Object.values(firstAddress));
  const addressSpans = Object.values(firstAddress).flatMap((part: AddressPart | undefined) => part?.sources ?? []);
  const besideAddress = open
    .filter((line) => addressOwned.has(line.index))
    .flatMap(piecesOfLine)
    .filter((piece) => !addressSpans.some((span) => spansOverlap(span, spanOf(piece))));
  const chosen = chooseRoles(
    [...open.filter((line) => !addressOwned.has(line.index)), ...besideAddress].flatMap(partForRole),
    evidence,
  );
  const name = chosen.roles.name?.candidate.text ?? '';
  emails.push(...takeLostAtSigns(websites, domains, name, lines));
  const company = chosen.roles.company?.candidate.text ?? '';
  reconcileWithCompany([...emails, ...websites], company);
  const mailboxes = settleMailboxes(emails, { name, company, domains, lines });
  const roleOwned = linesOfRoles(chosen.roles);
  const free = addressLines.filter((line) => !roleOwned.has(line.index) || addressOwned.has(line.index));
  const address = findAddress(free, country);
  const place = placeAboveCode(address, free);

  const context = { country, localParts, domains: unique([...emails, ...websites].map((a) => a.domain)), learned };
  const drafted = [
    ...nameDrafts(chosen, geometry, context),
    ...titleDrafts(chosen, geometry, context),
    ...companyDraft(chosen, geometry, context),
    ...mailboxes.map((e) => onlineDraft('email', e, 6)),
    ...phoneDrafts(phoneCandidates, address.postalCode?.sources ?? [], { country, rival }, firms),
    ...websites.map((w) => onlineDraft('website', w, 5)),
    ...addressDrafts(place ? { ...address, street: place } : address, country, firms, place !== undefined),
  ];
  const drafts = inDeskOrder(crossCheck(withoutRepeats(drafted), said, country)).map((draft) =>
    withReading(draft, reading.lines, lines),
  );
  return { reading, lines, geometry, drafts, country: address.country?.value ?? country };
}

const inDeskOrder = <T extends Pick<FieldProposal, 'field'>>(drafts: readonly T[]): T[] =>
  [...drafts].sort((a, b) => FIELD_NAMES.indexOf(a.field) - FIELD_NAMES.indexOf(b.field));

const unique = <T>(values: readonly T[]): T[] => [...new Set(values)];

const linesOf = (parts: readonly (AddressPart | undefined)[]): Set<number> =>
  new Set(parts.flatMap((part) => part?.sources.map((s) => s.line) ?? []));

const linesOfRoles = (roles: Roles): Set<number> =>
  new Set(
    Object.values(roles).flatMap((chosen: Chosen | undefined) => chosen?.candidate.lines.map((l) => l.index) ?? []),
  );

/** Evidence for the roles from the card's codes and from the workspace. */
function whatIsKnown(
  said: readonly CodeValue[],
  firms: readonly LearnedFirm[],
  learned: Learned | undefined,
): Pick<CardEvidence, 'said' | 'knownCompanies' | 'knownTitleWords'> {
  const first = (field: CodeValue['field']) => said.find((v) => v.field === field)?.value ?? '';
  const parts = (['givenName', 'middleName', 'familyName'] as const).map(first).join('');
  const key = (text: string) => foldTight(text) || undefined;
  return {
    said: { name: key(parts || first('fullName')), company: key(first('company')), title: key(first('title')) },
    knownCompanies: firms.flatMap((firm) => key(firm.company ?? '') ?? []),
    knownTitleWords: new Set(learned?.titleWords),
  };
}

/** Those on a line, in its order. */
const spansOn = (line: CardLine, spans: readonly SourceSpan[]): SourceSpan[] =>
  spans.filter((span) => span.line === line.index).sort((a, b) => a.from - b.from);

/** What a line has to say beside e-mail and web addresses and their labels: the line itself where it has none. */
function besideOnline(line: CardLine, online: readonly SourceSpan[]): CardLine[] {
  const spans = spansOn(line, online);
  if (spans.length === 0) return [line];
  return cutLine(line, spans).filter((piece) => {
    const words = fold(piece.text)
      .replace(/[^a-z\s-]/g, ' ')
      .trim()
      .split(/\s+/);
    return words.filter((w) => !onlineLabels.test(w)).join('').length > 6 || mayHoldAddress(piece.text);
  });
}

/** Registers, years, handles, lone countries and street lines are never a name, title or company. */
const mayHoldRole = (line: CardLine): boolean =>
  !isRegistration(line.text) &&
  !yearPattern.test(line.text) &&
  !/^\W*@|^in\//.test(line.text) &&
  !countryNames[line.text.trim().toLowerCase()] &&
  !(
    looksLikeStreet(line.text) &&
    /^\d|\d$/.test(line.text.trim()) &&
    !/\p{L}{3,}.*\p{L}{3,}.*\p{L}{3,}/u.test(line.text)
  );

/** The line, or what stands on it before a register's number: "Loan Originator | NMLS #440918", "Advisor, NMLS 551820". */
function partForRole(line: CardLine): CardLine[] {
  if (mayHoldRole(line)) return [line];
  if (!isRegistration(line.text)) return [];
  const [piece] = piecesOfLine(line);
  const comma = line.text.indexOf(',');
  const before = piece ?? (comma > 0 ? cutLine(line, [{ from: comma, to: line.text.length }])[0] : undefined);
  return before && isBeforeRegister(before) ? [before] : [];
}

const isBeforeRegister = (piece: CardLine): boolean =>
  piece.from === 0 && mayHoldRole(piece) && !piece.text.includes(':');

const spansOfAddress = ({ source, rest }: FoundAddress): SourceSpan[] => (rest ? [source, rest] : [source]);

const spansOfNumber = ({ source, rest }: PhoneCandidate): SourceSpan[] => (rest ? [source, rest] : [source]);

/** Each value once. */
function withOffers(offers: readonly RunnerUp[]): { runnersUp?: RunnerUp[] } {
  const runnersUp = offers.filter(({ value }, i) => offers.findIndex((other) => other.value === value) === i);
  return runnersUp.length > 0 ? { runnersUp } : {};
}

const onlineDraft = (field: 'email' | 'website', found: FoundAddress, trust: number): UnscoredProposal => ({
  field,
  value: found.value,
  sources: spansOfAddress(found),
  trust,
  reasons: [
    field === 'email' ? 'has the form of an e-mail address' : 'has the form of a web address',
    ...(found.repaired ? ['set right by what else the card says'] : []),
  ],
  ...(found.doubt && { disagreement: found.doubt }),
  ...withOffers([...(found.rivals ?? []), ...(found.raw ? [{ value: found.raw, reason: 'as printed and read' }] : [])]),
});

const countryName = new Intl.DisplayNames(['en'], { type: 'region' });

/** Certainty of a national number on a card that hardly tells its country. */
const UNTOLD_COUNTRY = 0.7;

/** What a national number is in another country that the card may be from, where that has one like it. */
function numberAbroad(candidate: PhoneCandidate, value: string, rival: string | undefined): RunnerUp[] {
  if (!rival || /^(?:\+|00|\(\+)/.test(candidate.printed)) return [];
  const abroad = placePhone(candidate, rival);
  return abroad?.valid && abroad.value !== value
    ? [{ value: abroad.value, reason: `if the card is from ${countryName.of(rival)}` }]
    : [];
}

function phoneDrafts(
  candidates: readonly PhoneCandidate[],
  postcode: readonly SourceSpan[],
  { country, rival }: CountryGuess,
  firms: readonly LearnedFirm[],
): UnscoredProposal[] {
  return candidates.flatMap((candidate): UnscoredProposal[] => {
    const isPostcode = postcode.some(
      (p) => p.line === candidate.source.line && p.from < candidate.source.to && candidate.source.from < p.to,
    );
    const phone = isPostcode ? undefined : placePhone(candidate, country);
    if (!phone) return [];
    // A number that cannot exist and is one digit off a number of the firm is that number.
    const known = phone.valid
      ? undefined
      : learnedPhone(
          phone.value,
          firms.flatMap((f) => f.phones),
        );
    const abroad = known ? [] : numberAbroad(candidate, phone.value, rival);
    return [
      {
        field: 'phone',
        value: known ?? phone.value,
        phoneKind: phone.kind,
        extension: phone.extension,
        sources: spansOfNumber(candidate),
        trust: (phone.valid || known ? 4 : 2) + (phone.labelled ? 2 : 0),
        reasons: [
          phone.valid ? 'is a valid number' : 'is a possible number',
          ...(phone.labelled ? ['has a label'] : []),
          ...(known ? ['your workspace knows this number of the firm'] : []),
        ],
        ...(abroad.length > 0 && { certainty: UNTOLD_COUNTRY, runnersUp: abroad }),
        ...(known && { runnersUp: [{ value: phone.value, reason: 'as printed and read' }] }),
      },
    ];
  });
}

function addressDrafts(
  address: FoundPostalAddress,
  country: string | undefined,
  firms: readonly LearnedFirm[],
  isStreetGuessed: boolean,
): UnscoredProposal[] {
  const known = learnedAddress(
    { street: address.street?.value, postalCode: address.postalCode?.value, locality: address.locality?.value },
    firms.flatMap((f) => f.addresses),
  );
  return (['street', 'postalCode', 'locality', 'region', 'country'] as const).flatMap(
    (field: FieldName & keyof typeof address): UnscoredProposal[] => {
      const part = address[field];
      if (!part) return [];
      const isGuess = !(address.postalCode ?? address.region) || (field === 'street' && isStreetGuessed);
      const settled = known && field !== 'region' && field !== 'country' ? known[field] : undefined;
      const changed = settled !== undefined && settled !== part.value;
      const lost = !settled && field === 'locality' ? lostJoinedLetter(part.value, country) : undefined;
      return [
        {
          field,
          value: settled ?? lost?.value ?? part.value,
          sources: part.sources,
          trust: isGuess ? 1 : 3.5,
          reasons: [
            isGuess && address.postalCode ? 'stands where a street does' : 'is part of the postal address',
            ...(settled ? ['your workspace knows this address of the firm'] : []),
          ],
          ...(settled && { certainty: 0.98 }),
          ...(lost && { disagreement: lost.disagreement }),
          ...((changed || lost) && { runnersUp: [{ value: part.value, reason: 'as printed and read' }] }),
        },
      ];
    },
  );
}

/** Offers what was read where a repair of the line has changed the letters of a value. */
function withReading(draft: UnscoredProposal, read: readonly ReadLine[], repaired: readonly ReadLine[]): UnscoredProposal {
  const [source, ...more] = draft.sources;
  if (!source || more.length > 0 || source.side) return draft;
  const [was, is] = [read, repaired].map((lines) => lines[source.line]!.text.slice(source.from, source.to)) as [string, string];
  const { value } = draft;
  if (was === is || is.length !== value.length || fold(is) !== fold(value) || fold(value).length !== value.length) return draft;
  const asRead = [...value].map((letter, i) => (was[i]!.toLowerCase() === is[i]!.toLowerCase() ? letter : inCaseOf(letter, was[i]!))).join('');
  const runnersUp = draft.runnersUp ?? [];
  if (asRead === value || runnersUp.some((other) => other.value === asRead)) return draft;
  return { ...draft, runnersUp: [...runnersUp, { value: asRead, reason: 'as printed and read' }] };
} // prettier-ignore

/** The same address or number printed twice is one proposal with both places. */
function withoutRepeats(drafts: readonly UnscoredProposal[]): UnscoredProposal[] {
  const kept: UnscoredProposal[] = [];
  for (const draft of drafts) {
    const twin = kept.find((k) => k.field === draft.field && k.value === draft.value && k.field !== 'company');
    if (twin) twin.sources = [...twin.sources, ...draft.sources];
    else kept.push({ ...draft });
  }
  return kept;
}
