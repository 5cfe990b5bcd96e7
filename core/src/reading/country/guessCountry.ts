import { parsePhoneNumberFromString } from 'libphonenumber-js/max';
import { fold } from '../../text';
import { holdsPostcode } from '../address';
import type { PhoneCandidate } from '../phones';
import { bareDigitCountries, countryNames, postcodeForms, sharedForms, states } from '../tables/addressWords';
import { countryRegisters, countryWords, numberGroupings } from '../tables/countryWords';
import { countriesOfTowns } from '../tables/towns';
import type { ReadLine } from '../types';

const WEIGHT = {
  countryName: 5,
  telltalePostcode: 4,
  sharedPostcode: 2.5,
  barePostcode: 0.5,
  codeAndTown: 1,
  codeBehindTown: 1.5,
  callingCode: 4,
  domainEnding: 3,
  assumed: 1,
  fitsNumbers: 1,
  grouping: 2,
  numberGrouping: 0.4,
  words: 1.2,
  register: 2,
  town: 1,
} as const;

/** Endings of domains that speak for their country; all but one are its ISO 3166 code (IANA root zone). */
const COUNTRY_ENDINGS = new Set(
  'uk ie us ca au de at ch fr be nl es pt it se dk no fi pl br cz sk hu ro hr si lu li is ee lv lt gr tr nz za mx jp cn in'.split(
    ' ',
  ),
);

function countryOfDomain(domain: string): string | undefined {
  const ending = domain.slice(domain.lastIndexOf('.') + 1);
  if (!COUNTRY_ENDINGS.has(ending)) return undefined;
  return ending === 'uk' ? 'GB' : ending.toUpperCase();
}

/** Countries of a calling code (ITU-T E.164), the one with most numbers first. */
const CALLING_CODES: Readonly<Record<string, readonly string[]>> = {
  '1': ['US', 'CA'],
  '44': ['GB'],
  '353': ['IE'],
  '61': ['AU'],
  '49': ['DE'],
  '43': ['AT'],
  '41': ['CH'],
  '33': ['FR'],
  '32': ['BE'],
  '31': ['NL'],
  '34': ['ES'],
  '351': ['PT'],
  '39': ['IT'],
  '46': ['SE'],
  '45': ['DK'],
  '47': ['NO'],
  '358': ['FI'],
  '48': ['PL'],
  '55': ['BR'],
  '420': ['CZ'],
  '421': ['SK'],
  '36': ['HU'],
  '40': ['RO'],
  '385': ['HR'],
  '386': ['SI'],
  '352': ['LU'],
  '423': ['LI'],
  '354': ['IS'],
  '372': ['EE'],
  '371': ['LV'],
  '370': ['LT'],
  '30': ['GR'],
  '90': ['TR'],
  '64': ['NZ'],
  '27': ['ZA'],
  '52': ['MX'],
  '81': ['JP'],
  '86': ['CN'],
  '91': ['IN'],
};

/** A state that ends a line, and a code that is one: a narrow column breaks between them. */
const STATE_AT_END = new RegExp(`,\\s*(?:${states.US})$`);
const AMERICAN_CODE = /^\d{5}(?:-\d{4})?$/;

/** "1096 Cully" on a line by itself */
const CODE_AND_TOWN = /^\d{4,5} \p{Lu}[\p{L} .'’()/-]+$/u;

/** "31 Medway Street, Gore 9710" */
const STREET_TOWN_CODE = /^\d+\w? [\p{L} .'’-]+, \p{Lu}[\p{L} .'’-]+ \d{4}$/u;

export interface CountryGuess {
  /** ISO 3166 code; undefined when nothing tells it. */
  country?: string;
  /** Another country with other numbers that nearly as much speaks for. */
  rival?: string;
}

/** A country with less of a lead than this is not told for sure: one word or grouping more would change it. */
const CLEAR_LEAD = 0.9;

/**
 * The country a card speaks for: by its printed name, the form of its postal code, calling codes,
 * (also of numbers in the card's code), domain endings and which country its national numbers fit; `assumed` only breaks a tie or
 * stands in when the card is silent.
 */
export function guessCountry(
  lines: readonly ReadLine[],
  phones: readonly PhoneCandidate[],
  domains: readonly string[],
  saidNumbers: readonly string[],
  assumed?: string,
): CountryGuess {
  const votes = new Map<string, number>();
  const vote = (country: string | undefined, weight: number) => {
    if (country) votes.set(country, (votes.get(country) ?? 0) + weight);
  };
  for (const [index, { text }] of lines.entries()) {
    for (const part of text.split(/[,/|·•]|\s[–-]\s/))
      vote(countryNames[fold(part).trim()] ?? countryNames[part.trim().toLowerCase()], WEIGHT.countryName);
    for (const { pattern, countries } of countryWords) {
      if (pattern.test(text)) countries.forEach((country) => vote(country, WEIGHT.words));
    }
    for (const { pattern, countries } of countryRegisters) {
      if (pattern.test(text)) countries.forEach((country) => vote(country, WEIGHT.register));
    }
    if (!text.includes('@')) countriesOfTowns(text).forEach((country) => vote(country, WEIGHT.town));
    if (STATE_AT_END.test(text) && lines.some((line) => AMERICAN_CODE.test(line.text)))
      vote('US', WEIGHT.telltalePostcode);
    if (phones.some((p) => p.source.line === index)) continue;
    const form = postcodeForms.find((f) => holdsPostcode(text, f));
    if (!form) continue;
    const bare = bareDigitCountries[form.country];
    // Digits at the end of a line may be any number.
    if (bare && form.town === 'before') {
      if (STREET_TOWN_CODE.test(text)) bare.forEach((country) => vote(country, WEIGHT.codeBehindTown));
    } else if (bare) {
      const weight = WEIGHT.barePostcode + (CODE_AND_TOWN.test(text) ? WEIGHT.codeAndTown : 0);
      bare.forEach((country) => vote(country, weight));
    } else {
      vote(form.country, WEIGHT.telltalePostcode);
      sharedForms[form.country]?.forEach((country) => vote(country, WEIGHT.sharedPostcode));
    }
  }
  for (const domain of domains) vote(countryOfDomain(domain), WEIGHT.domainEnding);
  for (const printed of [...phones.map((p) => p.printed), ...saidNumbers]) {
    const number = parsePhoneNumberFromString(printed.replace(/\(0\)/, '').replace(/^00/, '+'));
    for (const [i, country] of (CALLING_CODES[number?.countryCallingCode ?? ''] ?? []).entries()) {
      vote(country, WEIGHT.callingCode - 0.5 * i);
    }
  }
  if (northAmerican(phones)) vote('US', WEIGHT.grouping);
  for (const { printed } of phones) {
    for (const { pattern, countries, times = 1 } of numberGroupings) {
      if (pattern.test(printed)) countries.forEach((country) => vote(country, times * WEIGHT.numberGrouping));
    }
  }
  vote(assumed, WEIGHT.assumed);
  for (const country of votes.keys()) {
    const fitting = phones.filter(
      (p) => !p.printed.startsWith('+') && parsePhoneNumberFromString(p.printed, country as never)?.isValid(),
    );
    vote(country, WEIGHT.fitsNumbers * fitting.length);
  }
  const [first, ...others] = [...votes].sort((a, b) => b[1] - a[1]);
  if (!first) return {};
  const rival = others.find(([country, sum]) => first[1] - sum < CLEAR_LEAD && !sharesNumbers(country, first[0]));
  return { country: first[0], rival: rival?.[0] };
}

const sharesNumbers = (a: string, b: string): boolean =>
  Object.values(CALLING_CODES).some((countries) => countries.includes(a) && countries.includes(b));

/** Three-three-four grouping without a calling code, or behind the 1 that is dialled there, is how North American numbers are printed. */
const northAmerican = (phones: readonly PhoneCandidate[]): boolean =>
  phones.some((p) => /^(?:1[\s.-])?\(?[2-9]\d\d\)?[\s.-]*\d{3}[\s.-]\d{4}$/.test(p.printed));
