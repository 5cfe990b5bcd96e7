import { registeredDomain } from '../text/domains';
import { addressDrafts, findAddress, mayHoldAddress, placeAboveCode, type AddressPart } from './address';
import { cardLines, cutLine, piecesOfLine, spanOf, spansOverlap, type CardLine } from './cardLine';
import { begun, type CardState } from './cardState';
import { crossCheck, readCode } from './codes';
import { guessCountry } from './country';
import {
  completeDomains, findBrokenEmails, findEmails, findMisspeltEmails, findUndottedEmails, findWebsites, joinBrokenMailboxes, joinBrokenWebsites, onlineDrafts, reconcileDomains,
  reconcileRepeats, reconcileWithCompany, repairName, settleMailboxes, spansOfAddress, takeLostAtSigns, type Online,
} from './online'; // prettier-ignore
import { besideRegisters, findPhoneCandidates, phoneDrafts, placePhone, spansOfNumber } from './phones';
import { FIELD_NAMES, type SourceSpan } from './proposal';
import { repairAccents, repairLine, repairTwins, repairWords, withReading, wordsReadTwice } from './repair';
import {
  besideOnline, chooseRoles, companyDraft, likenessToDomain, nameDrafts, partForRole, roleCandidates, spansOn, titleDrafts, whatIsKnown, type Chosen, type RoleCandidates, type Roles,
} from './roles'; // prettier-ignore
import type { Reading, ReadLine } from './types';
import type { UnscoredProposal } from './unscoredProposal';

/** A line as like the domain as this names the firm. */
const FIRM_OF_DOMAIN = 0.9;

const unique = <T>(values: readonly T[]): T[] => [...new Set(values)];

const withLines = (card: CardState, lines: readonly ReadLine[]): CardState => ({
  ...card,
  lines,
  geometry: cardLines({ ...card.reading, lines: [...lines] }),
});

const domainsOf = ({ emails, websites }: Online): string[] =>
  unique([...emails, ...websites].map(({ domain }) => domain));
const onlineSpans = ({ emails, websites }: Online): SourceSpan[] => [...emails, ...websites].flatMap(spansOfAddress);
const linesOf = (parts: readonly (AddressPart | undefined)[]): Set<number> =>
  new Set(parts.flatMap((part) => part?.sources.map((s) => s.line) ?? []));
const linesOfRoles = (roles: Roles): Set<number> =>
  new Set(
    Object.values(roles).flatMap((chosen: Chosen | undefined) => chosen?.candidate.lines.map((l) => l.index) ?? []),
  );

/** What any line may have been misread as, whatever the rest of the card says. */
const repairLines = (card: CardState): CardState => withLines(card, card.lines.map(repairLine));

/** E-mail and web addresses by their form; those that are broken over lines, misspelt or printed twice are one. */
function findOnline(card: CardState): CardState {
  const { lines, geometry } = card;
  const whole = [...findEmails(lines), ...findBrokenEmails(lines, geometry)];
  const joined = joinBrokenMailboxes(whole, lines, geometry);
  const websites = joinBrokenWebsites(findWebsites(lines, joined.flatMap(spansOfAddress)), geometry);
  const domains = domainsOf({ emails: joined, websites });
  const undotted = findUndottedEmails(lines, domains).filter(({ source }) => !joined.flatMap(spansOfAddress).some((span) => spansOverlap(span, source))); // prettier-ignore
  const emails = [...joined, ...findMisspeltEmails(lines, domains), ...undotted];
  const online = reconcileDomains({ emails, websites: completeDomains(websites, emails) });
  return { ...card, online: { ...online, emails: reconcileRepeats(online.emails, lines) } };
}

const findNumbers = (card: CardState): CardState => ({
  ...card,
  numbers: findPhoneCandidates(card.lines, onlineSpans(card.online)),
});

const readCodes = (card: CardState): CardState => ({
  ...card,
  said: (card.reading.codes ?? []).flatMap((code) => readCode(code.text)),
});

function tellCountry(card: CardState): CardState {
  const { said, online, lines, numbers, options } = card;
  const saidDomains = said.flatMap((v) => (v.field === 'email' ? [v.value.slice(v.value.indexOf('@') + 1)] : []));
  const saidNumbers = said.filter((v) => v.field === 'phone').map((v) => v.value);
  const domains = [...domainsOf(online), ...saidDomains];
  return { ...card, guess: guessCountry(lines, numbers, domains, saidNumbers, options.assumedCountry) };
}

/** Letters and words that are another thing in the card's country, and names by its mailboxes. */
function repairWordsOfCountry(card: CardState): CardState {
  const { lines, guess, online, options } = card;
  const readTwice = wordsReadTwice(lines);
  const accented = lines.map((line) => repairAccents(line, guess.country, options.languages, readTwice));
  return withLines(
    card,
    repairTwins(
      accented.map((line) => repairName(repairWords(line), online.emails, lines)),
      guess.country,
    ),
  );
}

/** What the card and the workspace know that speaks for a role or against it. */
function gatherEvidence(card: CardState): CardState {
  const {
    online,
    options: { learned },
    geometry,
    said,
  } = card;
  const domains = domainsOf(online);
  const localParts = online.emails.map(({ value }) => value.slice(0, value.indexOf('@')));
  const firms = unique(domains.map(registeredDomain)).flatMap((domain) => learned?.firms[domain] ?? []);
  const widest = Math.max(0, ...geometry.map(({ left, right }) => right - left));
  return { ...card, firms, evidence: { localParts, domains, widest, ...whatIsKnown(said, firms, learned) } };
}

/** Which lines are left once numbers and addresses online are told, and the postal address among them. */
function findPlace(card: CardState): CardState {
  const {
    geometry,
    online,
    numbers,
    guess: { country },
    evidence,
  } = card;
  const spans = onlineSpans(online);
  const numberSpans = numbers.filter((c) => placePhone(c, country)).flatMap(spansOfNumber);
  const isOnNumberLine = (line: CardLine) => numberSpans.some((n) => n.line === line.index);
  const open = geometry.filter((line) => !isOnNumberLine(line)).flatMap((line) => besideOnline(line, spans));
  const besideNumbers = geometry
    .filter(isOnNumberLine)
    .flatMap((line) => cutLine(line, spansOn(line, [...numberSpans, ...spans])))
    .filter((piece) => mayHoldAddress(piece.text));
  // "FITZMAURICE STUDIO" is no house where the domain is called so.
  const isFirm = ({ text }: CardLine) => !/\d/.test(text) && likenessToDomain(text, evidence) >= FIRM_OF_DOMAIN;
  const addressLines = [...open, ...besideNumbers].flatMap(besideRegisters).filter((line) => !isFirm(line));
  return { ...card, open, addressLines, address: findAddress(addressLines, country) };
}

/** What may be the name, the firm and the title, among the lines that are left. */
function gatherCandidates(card: CardState): CardState {
  const { open, address, evidence } = card;
  const owned = linesOf(Object.values(address));
  const spans = Object.values(address).flatMap((part: AddressPart | undefined) => part?.sources ?? []);
  const beside = open
    .filter((line) => owned.has(line.index))
    .flatMap(piecesOfLine)
    .filter((piece) => !spans.some((span) => spansOverlap(span, spanOf(piece))));
  const free = [...open.filter((line) => !owned.has(line.index)), ...beside].flatMap(partForRole);
  return { ...card, candidates: roleCandidates(free, evidence, card.geometry) };
}

/** Name, firm, title and department in one joint choice. */
const assignRoles = (card: CardState): CardState => ({ ...card, chosen: chooseRoles(card.candidates) });

/** Addresses online by who and what firm they are of. */
function settleOnline(card: CardState): CardState {
  const {
    online,
    evidence: { domains },
    chosen: { roles },
    lines,
  } = card;
  const [name, company] = [roles.name?.candidate.text ?? '', roles.company?.candidate.text ?? ''];
  const { emails, websites } = takeLostAtSigns(online, domains, name, lines);
  const mailboxes = settleMailboxes(reconcileWithCompany(emails, company), { name, company, domains, lines });
  return { ...card, online: { emails: mailboxes, websites: reconcileWithCompany(websites, company) } };
}

/** The postal address again, among the lines that no role has. */
function settlePlace(card: CardState): CardState {
  const { addressLines, address, chosen, guess } = card;
  const [owned, taken] = [linesOf(Object.values(address)), linesOfRoles(chosen.roles)];
  const free = addressLines.filter((line) => !taken.has(line.index) || owned.has(line.index));
  const settled = findAddress(free, guess.country);
  return { ...card, address: settled, place: placeAboveCode(settled, free) };
}

/** What is proposed for the fields, held against the codes on the card and what the workspace knows. */
function draftProposals(card: CardState): CardState {
  const { reading, lines, geometry, online, numbers, guess, firms, evidence, address, place, chosen, said } = card;
  const { country } = guess;
  const context = {
    country,
    localParts: evidence.localParts,
    domains: domainsOf(online),
    learned: card.options.learned,
  };
  const drafted = [
    ...nameDrafts(chosen, geometry, context),
    ...titleDrafts(chosen, geometry, context),
    ...companyDraft(chosen, geometry, context),
    ...onlineDrafts(online),
    ...phoneDrafts(numbers, address.postalCode?.sources ?? [], guess, firms),
    ...addressDrafts(place ? { ...address, street: place } : address, country, firms, place !== undefined),
  ];
  const checked = inDeskOrder(crossCheck(withoutRepeats(drafted), said, country));
  return { ...card, drafts: checked.map((draft) => withReading(draft, reading.lines, lines)) };
}

/** What may have a role on a card: what the joint choice is fitted on. */
export const candidatesOf = (reading: Reading): RoleCandidates =>
  STEPS.slice(0, STEPS.indexOf(assignRoles)).reduce((card, step) => step(card), begun(reading, {})).candidates;

/** From what was read to what is proposed, each once and in this order. */
export const STEPS: readonly ((card: CardState) => CardState)[] = [
  repairLines,
  findOnline,
  findNumbers,
  readCodes,
  tellCountry,
  repairWordsOfCountry,
  gatherEvidence,
  findPlace,
  gatherCandidates,
  assignRoles,
  settleOnline,
  settlePlace,
  draftProposals,
];

export const inDeskOrder = <T extends Pick<UnscoredProposal, 'field'>>(drafts: readonly T[]): T[] =>
  [...drafts].sort((a, b) => FIELD_NAMES.indexOf(a.field) - FIELD_NAMES.indexOf(b.field));

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
