import { because } from '../reasons';
import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/max';
import { editDistance, foldTight } from '../../text';
import { splitName } from '../names';
import { REPEATABLE_FIELDS, type FieldName } from '../proposal';
import type { CodeValue } from './readCode';
import { countryNames } from '../tables/addressWords';
import type { UnscoredProposal } from '../unscoredProposal';

/** Letters a printed value may differ in and still be a misreading of what the code says. */
const MISREAD_LETTERS = 2;
const MISREAD_DIGITS = 1;
/** A code's value that the print does not carry: true, but perhaps not what the card is meant to tell. */
const FROM_CODE_ONLY = 0.9;
/** Codes do not misread: where the print agrees nothing is left to doubt. */
const CONFIRMED = 0.995;
const CORRECTED = 0.86;
const CONTESTED = 0.6;

/**
 * Holds what a card's code says against what is printed: agreement makes both sure, a print that is
 * nearly the same was misread and gives way, a print that says something else stays and is marked
 * with the disagreement, and what only the code says is proposed as such.
 * @param country of the card, for numbers written without a calling code
 */
export function crossCheck(
  drafts: readonly UnscoredProposal[],
  said: readonly CodeValue[],
  country: string | undefined,
): UnscoredProposal[] {
  const checked = drafts.map((draft) => ({ ...draft }));
  const values = normalise(said, country);
  splitNameAsSaid(checked, values);
  for (const value of values) {
    const field = value.field as FieldName;
    const printed = checked.filter((d) => d.field === field);
    const same = printed.find((d) => agree(field, d.value, value.value));
    if (same) {
      same.certainty = CONFIRMED;
      same.trust = Math.max(same.trust, 6);
      same.reasons = [...same.reasons, because('codeSaysSame')];
      continue;
    }
    const near = printed.find((d) => isMisreading(field, d.value, value.value));
    if (near) {
      near.runnersUp = [{ value: near.value, reason: because('asRead') }, ...(near.runnersUp ?? [])];
      near.reasons = [...near.reasons, because('setRightByCode', near.value)];
      near.value = value.value;
      near.certainty = CORRECTED;
      near.trust = Math.max(near.trust, 6);
      continue;
    }
    // A code often leads to a page of the printed site that only counts visits.
    if (field === 'website' && printed.some((d) => hostOf(d.value) === hostOf(value.value))) continue;
    const single = !REPEATABLE_FIELDS.includes(field);
    if (single && printed[0]) {
      const [first] = printed;
      first.disagreement = because('codeSaysOther', value.value);
      first.runnersUp = [{ value: value.value, reason: because('fromCode') }, ...(first.runnersUp ?? [])];
      first.certainty = CONTESTED;
      continue;
    }
    checked.push({
      field,
      value: value.value,
      ...(field === 'phone' && { phoneKind: value.phoneKind ?? 'work' }),
      sources: [],
      trust: 6,
      certainty: FROM_CODE_ONLY,
      reasons: [because('onlyInCode')],
    });
  }
  return checked;
}

const NAME_PARTS: readonly FieldName[] = ['givenName', 'middleName', 'familyName'];

/** Where code and print have the same whole name, the code knows which of its words are the family name. */
function splitNameAsSaid(drafts: UnscoredProposal[], values: CodeValue[]): void {
  const said = (field: FieldName) => values.find((v) => v.field === field)?.value ?? '';
  const family = said('familyName');
  const words = [said('givenName'), said('middleName')].join(' ').split(/\s+/).filter(Boolean);
  const parts = drafts.filter((d) => NAME_PARTS.includes(d.field));
  const whole = (texts: readonly string[]) => foldTight(texts.join(''));
  if (!family || words.length === 0 || parts.length === 0) return;
  if (whole(parts.map((d) => d.value)) !== whole([...words, family])) return;
  const printedWords = parts.flatMap((d) => d.value.split(/\s+/));
  const split = [words.slice(0, 1), words.slice(1), family.split(/\s+/)];
  if (split.flat().length !== printedWords.length) return;
  const [first] = parts;
  const sources = parts.flatMap((d) => d.sources);
  drafts.splice(drafts.indexOf(first!), parts.length);
  let at = 0;
  NAME_PARTS.forEach((field, i) => {
    const count = split[i]!.length;
    if (count === 0) return;
    const value = printedWords.slice(at, at + count).join(' ');
    at += count;
    drafts.push({ ...first!, field, value, sources, runnersUp: undefined });
    const own = values.find((v) => v.field === field);
    if (own) own.value = value;
    else values.push({ field, value });
  });
}

const hostOf = (site: string): string => site.split('/')[0]!;

/** Values as fields hold them: whole names taken apart, numbers in E.164, countries by their code. */
function normalise(said: readonly CodeValue[], country: string | undefined): CodeValue[] {
  const hasParts = said.some((v) => v.field === 'familyName');
  const values = said.flatMap((v): CodeValue[] => {
    if (v.field === 'fullName') {
      if (hasParts) return [];
      return Object.entries(splitName(v.value, country)).flatMap(([field, part]) =>
        part ? [{ field: field as FieldName, value: part }] : [],
      );
    }
    if (v.field === 'phone') {
      const parsed = parsePhoneNumberFromString(v.value, country as CountryCode | undefined);
      return parsed?.isPossible() ? [{ ...v, value: parsed.number }] : [];
    }
    if (v.field === 'email')
      return /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(v.value) ? [{ ...v, value: v.value.toLowerCase() }] : [];
    if (v.field === 'country') {
      const code = countryNames[v.value.trim().toLowerCase()];
      return code ? [{ ...v, value: code }] : [];
    }
    return [v];
  });
  return values.filter((v, i) => values.findIndex((w) => w.field === v.field && w.value === v.value) === i);
}

function agree(field: FieldName, printed: string, said: string): boolean {
  if (field === 'phone' || field === 'email') return printed.toLowerCase() === said.toLowerCase();
  if (field === 'website') return withoutIndex(printed) === withoutIndex(said);
  return foldTight(printed) === foldTight(said);
}

const withoutIndex = (site: string): string => site.toLowerCase().replace(/\/(?:index\.\w+)?$/, '');

function isMisreading(field: FieldName, printed: string, said: string): boolean {
  if (field === 'phone')
    return printed.length === said.length && editDistance(printed, said, MISREAD_DIGITS) <= MISREAD_DIGITS;
  if (field === 'street' || field === 'country' || field === 'region') return false;
  const limit = said.length > 8 ? MISREAD_LETTERS : 1;
  return said.length > 3 && editDistance(printed.toLowerCase(), said.toLowerCase(), limit) <= limit;
}
