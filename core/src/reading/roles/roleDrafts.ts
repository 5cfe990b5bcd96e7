import { because, type Reason } from '../reasons';
import { fold, foldTight } from '../../text';
import { domainLabel, isFreeMail, registeredDomain } from '../../text/domains';
import { hasLegalForm, withoutLegalForm } from '../../text/legalForm';
import { inSpellingOf, isAllCaps, naturalCompany, naturalName, naturalTitle } from '../../text/naturalCase';
import { tradeWords } from '../../text/tables/companyWords';
import { isNextInBlock, overlaps, spanOf, type CardLine } from '../cardLine';
import type { Chosen, ChosenRoles, Roles } from './models';
import { companyFromDomain } from './companyFromDomain';
import { learnedCompany, type Learned } from '../learning';
import { ACCENT_TOLERANCE, groupOf, MIXED_SIZES, sameSize } from './lineGroups';
import { lostAccent } from '../repair';
import { splitMerged } from '../repair';
import { misreadTitle } from '../repair';
import { firmBeforeComma } from './partsOfLine';
import { hasTitleWord, nameParts, splitName } from '../names';
import type { RunnerUp, SourceSpan } from '../proposal';
import { countriesOfTowns } from '../tables/towns';
import type { UnscoredProposal } from '../unscoredProposal';

/** What else on the card speaks about the roles' values. */
export interface RoleContext {
  country?: string;
  localParts: readonly string[];
  domains: readonly string[];
  learned?: Learned;
}

const spansOf = (chosen: Chosen): SourceSpan[] => chosen.candidate.lines.map(spanOf);

export function nameDrafts(
  { roles, runnersUp }: ChosenRoles,
  geometry: readonly CardLine[],
  context: RoleContext,
): UnscoredProposal[] {
  if (!roles.name) return [];
  const { name } = roles;
  const parts = splitName(name.candidate.text, context.country, context.localParts);
  const rest = restOfName(roles, geometry);
  const others = runnersUp.name.map(({ candidate, reasons }) => ({
    parts: splitName(candidate.text, context.country, context.localParts),
    reason: reasons[0] ?? because('mayBeName'),
  }));
  return (['prefix', 'givenName', 'middleName', 'familyName', 'suffix'] as const).flatMap(
    (field): UnscoredProposal[] => {
      const read = parts[field];
      if (!read) return [];
      const lost =
        field === 'prefix' || field === 'suffix' ? undefined : lostAccent(read, name.candidate.text, context.country);
      const value = lost?.value ?? read;
      const alternatives = others.flatMap((o): RunnerUp[] =>
        o.parts[field] && o.parts[field] !== value ? [{ value: o.parts[field], reason: o.reason }] : [],
      );
      return [
        {
          field,
          value,
          sources: spansWithin(name, value),
          trust: name.score - rivalry(name, runnersUp.name),
          reasons: name.reasons,
          ...(lost && { disagreement: lost.disagreement }),
          ...(field === 'familyName' && rest && { disagreement: perhapsPart(rest) }),
          ...withRunnersUp([
            ...(field === 'familyName' && rest
              ? [
                  {
                    value: `${value} ${naturalName(rest.text, context.country)}`,
                    reason: because('betweenNameAndTitle'),
                  },
                ]
              : []),
            ...(lost ? [{ value: lost.other, reason: because('otherSpelling') }] : []),
            ...alternatives,
          ]),
        },
      ];
    },
  );
}

/** A rival of nearly the same score makes a choice less sure. */
function rivalry(chosen: Chosen, rivals: readonly Chosen[]): number {
  const lead = chosen.score - (rivals[0]?.score ?? -Infinity);
  return Math.max(0, 1.5 - Math.max(0, lead));
}

/** Each once, as the first of them says why. */
const withRunnersUp = (offered: readonly RunnerUp[]) => {
  const runnersUp = offered.filter(({ value }, i) => offered.findIndex((other) => other.value === value) === i);
  return runnersUp.length > 0 ? { runnersUp } : {};
};

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
    const [from, to] = [Math.min(...hits.map((h) => h.from)), Math.max(...hits.map((h) => h.to))];
    return [{ line: line.index, from: line.from + from, to: line.from + to }];
  });
  return spans.length > 0 ? spans : spansOf(chosen);
}

/** One that was read as two: "d’'affaires". */
const DOUBLED_APOSTROPHE = /(?<=\p{L})['’`´]{2}(?=\p{L})/gu;

/** A bracket that opens is closed: its other half is easily lost at the end of a line. */
const closed = (text: string): string => (/\([^)]*$/.test(text) ? `${text})` : text);

export function titleDrafts(
  { roles, runnersUp }: ChosenRoles,
  geometry: readonly CardLine[],
  { country }: RoleContext,
): UnscoredProposal[] {
  return (['title', 'department'] as const).flatMap((field): UnscoredProposal[] => {
    const chosen = roles[field];
    if (!chosen) return [];
    const clean = (text: string) =>
      naturalTitle(
        inSpellingOf(country, closed(text.replace(/[\s,;|·]+$/, '')).replace(DOUBLED_APOSTROPHE, '’')),
        country,
      );
    const rivals = field === 'title' ? runnersUp.title : [];
    const value = clean(chosen.candidate.text);
    const misread = misreadTitle(value);
    const rest = field === 'title' ? restOfPosition(chosen, roles, geometry) : undefined;
    return [
      {
        field,
        value,
        sources: spansOf(chosen),
        trust: chosen.score - 0.5 * rivalry(chosen, rivals),
        reasons: chosen.reasons,
        ...(rest && { disagreement: perhapsPart(rest) }),
        ...(misread ? { disagreement: because('perhapsOther', misread.read, misread.known) } : {}),
        ...withRunnersUp([
          ...(rest ? [{ value: `${value}, ${clean(rest.text)}`, reason: because('rightUnder', rest.text) }] : []),
          ...(misread ? [{ value: misread.title, reason: because('wordOfTitles', misread.known) }] : []),
          ...rivals.map((r) => ({ value: clean(r.candidate.text), reason: r.reasons[0] ?? because('mayBeTitle') })),
        ]),
      },
    ];
  });
}

export function companyDraft(
  { roles, runnersUp }: ChosenRoles,
  geometry: readonly CardLine[],
  { country, domains, learned }: RoleContext,
): UnscoredProposal[] {
  const known = domains.map((d) => learned?.firms[registeredDomain(d)]?.company).find((c) => c !== undefined);
  if (roles.company) {
    const fullest = fullestForm(roles.company, roles, geometry);
    const read = withSplitLetters(inFormOf(country, naturalCompany(trimCompany(fullest.text))), domains);
    const settled = learnedCompany(read, known);
    const misread = settled ? undefined : misreadTitle(read);
    const rest = settled ? undefined : restOfMark(fullest.lines, roles, geometry);
    // A firm that is called after somebody; in capitals it is often printed without.
    const lost =
      settled || isAllCaps(withoutLegalForm(fullest.text)) ? undefined : lostAccent(read, fullest.text, country);
    const alternatives: RunnerUp[] = [
      ...(rest
        ? [
            {
              value: naturalCompany(trimCompany(groupOf(inOrder([...fullest.lines, rest])).text)),
              reason: because('sameTypeBeside', rest.text),
            },
          ]
        : []),
      ...(misread ? [{ value: misread.title, reason: because('wordOfFirms', misread.known) }] : []),
      ...(settled ? [{ value: read, reason: because('asRead') }] : []),
      ...(lost ? [{ value: lost.other, reason: because('otherSpelling') }] : []),
      ...runnersUp.company.map((r) => ({
        value: naturalCompany(trimCompany(r.candidate.text)),
        reason: r.reasons[0] ?? because('mayBeFirm'),
      })),
    ];
    return [
      {
        field: 'company',
        value: settled ?? lost?.value ?? read,
        sources: fullest.lines.map(spanOf),
        trust: roles.company.score - 0.5 - rivalry(roles.company, runnersUp.company),
        reasons: [...roles.company.reasons, ...(settled ? [because('writtenSoHere')] : [])],
        ...(settled && { certainty: 0.97 }),
        ...(rest && { disagreement: perhapsPart(rest) }),
        ...(lost && { disagreement: lost.disagreement }),
        ...(misread && { disagreement: because('perhapsOther', misread.read, misread.known) }),
        ...withRunnersUp(alternatives),
      },
    ];
  }
  const domain = domains.find((d) => !isFreeMail(d));
  if (!domain) return [];
  if (known)
    return [
      {
        field: 'company',
        value: known,
        sources: [],
        trust: 6,
        certainty: 0.95,
        reasons: [because('knownForDomain', domain)],
      },
    ];
  const value = companyFromDomain(domain);
  return value ? [{ field: 'company', value, sources: [], trust: 1, reasons: [because('readOutOf', domain)] }] : [];
}

/** The mark of a Swiss form, and that of Polish family names in "-ński", which firms are called after, are easily lost. */
function inFormOf(country: string | undefined, company: string): string {
  if (country === 'CH') return company.replace(/(?<!\p{L})S[aâäå]rl(?!\p{L})/u, 'Sàrl');
  return country === 'PL' ? company.replace(/(?<=\p{L}{2}[aeiouy])n(?=sk[ai](?!\p{L}))/gu, 'ń') : company;
}

const perhapsPart = ({ text }: CardLine): Reason => because('perhapsPart', text);

/** Whether a line is a lone word with a capital that no role has taken and that is no place. */
const isLoose = (line: CardLine, roles: Roles): boolean =>
  /^\p{Lu}[\p{L}-]{2,}$/u.test(line.text) &&
  !Object.values(roles).some((role: Chosen | undefined) => role?.candidate.lines.some((l) => overlaps(l, line))) &&
  countriesOfTowns(line.text).length === 0;

/** A word that stands right under the name, with the position right under it: the second family name, on a narrow card. */
function restOfName(roles: Roles, geometry: readonly CardLine[]): CardLine | undefined {
  const [own, position] = [roles.name?.candidate.lines ?? [], roles.title?.candidate.lines[0]];
  const last = own.at(-1);
  if (!last || !position) return undefined;
  const lettersOf = (lines: readonly CardLine[]) => nameParts(groupOf(lines).text).suffixes.length;
  return geometry.find(
    (line) =>
      isLoose(line, roles) &&
      lettersOf([...own, line]) === lettersOf(own) &&
      isNextInBlock(last, line, ACCENT_TOLERANCE) &&
      isNextInBlock(line, position, MIXED_SIZES),
  );
}

/** A second position that stands right under the first one and that nothing else has taken. */
function restOfPosition({ candidate }: Chosen, roles: Roles, geometry: readonly CardLine[]): CardLine | undefined {
  const taken = Object.values(roles).flatMap((role: Chosen | undefined) => role?.candidate.lines ?? []);
  const last = candidate.lines[candidate.lines.length - 1]!;
  return geometry.find(
    (line) =>
      isNextInBlock(last, line, ACCENT_TOLERANCE) &&
      hasTitleWord(line.text) &&
      !/[@\d]/.test(line.text) &&
      !taken.some((own) => overlaps(own, line)),
  );
}

/** A word right under or above the firm, set as it is, that is nothing else: "GLEN FYNE" over "ESTATE". */
function restOfMark(lines: readonly CardLine[], roles: Roles, geometry: readonly CardLine[]): CardLine | undefined {
  const [first, last] = [lines[0]!, lines[lines.length - 1]!];
  const isSetAs = (line: CardLine, upper: CardLine, lower: CardLine) =>
    isNextInBlock(upper, lower) &&
    sameSize(groupOf([upper, lower])) &&
    (isAllCaps(upper.text) === isAllCaps(lower.text) || tradeWords.has(line.text));
  return geometry.find(
    (line) =>
      isLoose(line, roles) && ((!hasLegalForm(last.text) && isSetAs(line, last, line)) || isSetAs(line, line, first)),
  );
}

const inOrder = (lines: readonly CardLine[]): CardLine[] => lines.toSorted((a, b) => a.top - b.top);

/** Letters that were run together in reading, as a domain has them: "Thomette Ltd" beside thornette.example. */
function withSplitLetters(company: string, domains: readonly string[]): string {
  const body = withoutLegalForm(company);
  const right = domains.map((d) => splitMerged(body, foldTight(domainLabel(d)))).find((split) => split !== undefined);
  return right ? company.replace(body, right) : company;
}

const trimCompany = (text: string): string => text.replace(/^[\s|·•*★☆]+|[\s|·•,;*★☆]+$/g, '');

/** A short and a long form of one name on a card: the longest printed line that begins with the chosen one. */
function fullestForm(
  company: Chosen,
  roles: Roles,
  geometry: readonly CardLine[],
): { text: string; lines: readonly CardLine[] } {
  const taken = [roles.name, roles.title, roles.department].flatMap((r) => r?.candidate.lines ?? []);
  const key = foldTight(company.candidate.text);
  const longer = [...geometry, ...geometry.flatMap(firmBeforeComma)]
    .filter(
      (line) =>
        !taken.some((t) => overlaps(t, line)) && !/[@\d]|www/.test(line.text) && !/\.\p{Ll}{2,}$/u.test(line.text),
    )
    .filter(
      (line) =>
        foldTight(line.text).startsWith(key) &&
        foldTight(line.text).length > key.length &&
        line.text.length < key.length + 24,
    )
    .sort((a, b) => b.text.length - a.text.length)[0];
  return longer ? { text: longer.text, lines: [longer] } : company.candidate;
}
