import { fold } from './fold';
import { withoutLegalForm } from './legalForm';
import { accentedWords } from './tables/accentedWords';
import { nameParticles } from './tables/nameWords';
import { titleHeads, titleJoiners, titleModifiers } from './tables/titleWords';

export const isAllCaps = (text: string): boolean => /\p{Lu}/u.test(text) && !/\p{Ll}/u.test(text);

const capitalise = (word: string): string => {
  const lower = word.toLowerCase();
  return lower.replace(/^(\P{L}*)(\p{L})/u, (_, lead: string, letter: string) => lead + letter.toUpperCase());
};

/** What follows begins with a capital: "O'Conner", "L'Isle", but "Floc'h" and "Children's". */
const AFTER_APOSTROPHE = /(?<=(?<!c)['’])(?=\p{L}{2})/iu;

/** A French article begins a family name, unless it goes on behind "de": "Yves LE GOFF", "Ana DE LA CRUZ". */
const isFrenchArticle = (word: string, before: string): boolean => /^l(?:e|es|a)$/i.test(word) && !/^de$/i.test(before);

/** One part of a name: "MCALLISTER" to "McAllister", "O'CONNER" to "O'Conner", "BRIX-HAUGAARD" to "Brix-Haugaard". */
function naturalNameWord(word: string, before: string | undefined, country?: string): string {
  if (before !== undefined && nameParticles.has(word) && !isFrenchArticle(word, before))
    return CAPITAL_PARTICLES.has(country ?? '') ? capitalise(word) : word.toLowerCase();
  return word
    .split('-')
    .map((part) =>
      part
        .split(AFTER_APOSTROPHE)
        .map(capitalise)
        .join('')
        .replace(/^Mc(\p{Ll})/u, (_, letter: string) => `Mc${letter.toUpperCase()}`),
    )
    .join('-');
}

/** Countries whose family names begin with a capital also where that is a particle: "De Santis". */
const CAPITAL_PARTICLES = new Set(['IT']);

/** A name set in capitals (or all in small letters) in natural case; mixed case is left as printed, word by word. */
export function naturalName(name: string, country?: string): string {
  const shouting = isAllCaps(name) && name.replace(/[^\p{L}]/gu, '').length > 2;
  const whispering = name === name.toLowerCase();
  return name
    .split(/\s+/)
    .map((word, i, words) => {
      const shouts = (other = '') => other.replace(/[^\p{L}]/gu, '').length > 2 && isAllCaps(other);
      const wordShouts = shouts(word) || (nameParticles.has(word) && isAllCaps(word) && shouts(words[i + 1]));
      return shouting || whispering || wordShouts ? naturalNameWord(word, words[i - 1], country) : word;
    })
    .join(' ');
}

/** Words that stay small inside the name of a place. */
const SMALL_IN_PLACES = new Set(
  'on upon under by the in am an der den dem im bei ob sur sous lès les le la de du des en aan bij op d del della di do da dos y'.split(
    ' ',
  ),
);

/** A place set in capitals in natural case: "CHALON-SUR-SAÔNE" to "Chalon-sur-Saône". */
export function naturalPlace(place: string): string {
  if (!isAllCaps(place) || place.replace(/[^\p{L}]/gu, '').length <= 3) return place;
  return place
    .split(/(\s+|-|(?<=(?<!c)['’])(?=\p{L}{2}))/iu)
    .map((part, i) => (i > 0 && SMALL_IN_PLACES.has(part.toLowerCase()) ? part.toLowerCase() : capitalise(part)))
    .join('');
}

/** Shortened words of streets that are written in capitals: boxes, zones and quadrants. */
const SHORT_IN_STREETS =
  /^(?:P\.?O\.?|B\.?P\.?|C\.?P\.?|CS|Z\.?[AI]\.?|ZAC|[NS][EW]|[IVX]+|\d+[A-Z]{1,2}|[A-Z]\.?|[A-Z]-?\d+)$/;

/** A street set in capitals in natural case: "3RD FLOOR, 44A RUE DE L'ÉGLISE" to "3rd Floor, 44A Rue de l'Église". */
export function naturalStreet(street: string): string {
  if (!isAllCaps(street) || street.replace(/[^\p{L}]/gu, '').length <= 4) return street;
  return street
    .split(/([\s,]+|-|(?<=(?<!c)['’])(?=\p{L}{2}))/iu)
    .map((part, i) => {
      if (/^\d+(?:ST|ND|RD|TH)$/.test(part)) return part.toLowerCase();
      if (SHORT_IN_STREETS.test(part)) return part;
      const isSmall = SMALL_IN_PLACES.has(part.toLowerCase()) || /^[DL]['’]$/.test(part);
      return i > 0 && isSmall ? part.toLowerCase() : capitalise(part);
    })
    .join('');
}

const ACRONYMS = new Set(
  'ceo cto cfo coo cio cmo it hr qa qc hse r&d pr erp crm uk usa eu emea apac dach md vp svp evp gm b2b oem plc'.split(
    ' ',
  ),
);
const SENTENCE_CASE = new Set(['FR', 'ES', 'PT', 'BR', 'IT', 'SE', 'DK', 'NO', 'FI', 'PL', 'BE']);

/**
 * A title's words with the accents that they are always spelled with, also where print or reading has lost
 * them: "Maitre verrier" becomes "Maître verrier".
 */
const withAccents = (title: string): string =>
  title.replace(/\p{L}[\p{L}\p{M}]*/gu, (word) => {
    const spelled = accentedWords.get(fold(word));
    if (!spelled || word.toLowerCase() === spelled) return word;
    if (word === word.toUpperCase()) return spelled.toUpperCase();
    return /^\p{Lu}/u.test(word) ? spelled[0]!.toUpperCase() + spelled.slice(1) : spelled;
  });

const ENGLISH = new Set(['GB', 'IE', 'US', 'AU', 'NZ', 'ZA']);
/** Marks that no English word has; it has borrowed some with others ("maître", "chargé"). */
const NEVER_ENGLISH = /[ÄÖÜÅÑÕÃäöüåñõã]/u;

/** Before m and n Brazil writes ô and ê where Portugal has ó and é. */
const inBrazil = (title: string): string =>
  title
    .replace(/(?<=\p{L}{2})(?:ó(?=[mn][io]\p{Ll}*(?!\p{L}))|é(?=m[io]\p{Ll}*(?!\p{L})))/gu, (letter) =>
      letter === 'ó' ? 'ô' : 'ê',
    )
    .replace(/(?<!\p{L})sénior(?!\p{L})/u, 'sênior');

/** A title with the accents that its words have, and in English without those that they do not have: "Accoünt Manager". */
export function inSpellingOf(country: string | undefined, title: string): string {
  const spelled = country === 'BR' ? inBrazil(withAccents(title)) : withAccents(title);
  if (!country || !ENGLISH.has(country)) return spelled;
  const isMisread = (word: string) => NEVER_ENGLISH.test(word) && (titleModifiers.has(word) || titleHeads.has(word));
  return spelled.replace(/\p{L}+/gu, (word) => (isMisread(word) ? word.normalize('NFD').replace(/\p{M}/gu, '') : word));
}

/** Words for positions that are English in every country's titles. */
const ENGLISH_HEADS =
  /(?<!\p{L})(?:managers?|officer|engineer|executive|head of|lead|leader|owner|buyer|supervisor|specialist|developer|analyst|sales)(?!\p{L})/iu;

/** A title or department set in capitals in natural case: sentence case where its language uses that, which may be English anywhere. */
export function naturalTitle(title: string, country?: string): string {
  if (!isAllCaps(title) || fold(title).replace(/[^a-z]/g, '').length <= 3) return title;
  const sentence = country !== undefined && SENTENCE_CASE.has(country) && !ENGLISH_HEADS.test(title);
  return title
    .split(/(\s+|(?<=[/-]))/)
    .map((word, i, all) => {
      if (ACRONYMS.has(fold(word))) return word;
      if (i > 0 && titleJoiners.has(word)) return word.toLowerCase();
      const startsSentence = i === 0 || all[i - 1] === '/';
      return sentence && !startsSentence ? word.toLowerCase() : capitalise(word);
    })
    .join('');
}

const LEGAL_CASE: Readonly<Record<string, string>> = Object.fromEntries(
  'plc Ltd Limited Inc Co Corp LLC LLP GmbH mbH AG KG OHG eG SARL SAS SA Srl SpA Ltda AB Oy ApS AS BV NV Pty'
    .split(' ')
    .map((form) => [form.toLowerCase(), form]),
);

/** "P.P.H.U.", "S.p.A." and "S.Coop." stay as they are. */
const INITIALS = /^(?:\p{L}\.){2,}$|^\p{L}\.\p{Lu}\p{Ll}+\.$/u;

const POLISH_FORM = 'Sp. z o.o.';

/** A company set in capitals or small letters in natural case; short words may be initials and stay. */
export function naturalCompany(company: string): string {
  const body = withoutLegalForm(company);
  const shouting = isAllCaps(body) && body.replace(/[^\p{L}]/gu, '').length > 4;
  if (!shouting && company !== company.toLowerCase())
    return company.replace(/(?<!\p{L})Sp\.? ?z ?o\. ?o\.?$/u, POLISH_FORM);
  return company
    .split(' ')
    .map((word, i, words) => {
      const plain = word.replace(/[^\p{L}]/gu, '');
      if (i > 0 && words[i - 1] !== '&' && titleJoiners.has(word)) return word.toLowerCase();
      if (!shouting) return capitalise(word);
      const legal = i > 0 && LEGAL_CASE[plain.toLowerCase()];
      if (legal) return word.replace(plain, legal);
      if (INITIALS.test(word)) return word;
      if (plain.length <= 3 && !/[aeiouy]/.test(fold(plain))) return word;
      // "Frigorifiques de l'Ouest"
      if (i > 0 && titleJoiners.has(words[i - 1]!) && /^[LD]['’]\p{L}/u.test(word))
        return word.charAt(0).toLowerCase() + word.charAt(1) + capitalise(word.slice(2));
      // "Dell'Acqua" and "Tour-Landry", but "Children's".
      return word
        .split(/(?<=(?<!c)['’])(?=\p{L}{2})|(?<=-)/iu)
        .map(capitalise)
        .join('');
    })
    .join(' ')
    .replace(/(?<!\p{L})SP\. ?Z ?O\. ?O\.?(?!\p{L})/u, POLISH_FORM)
    .replace(/(?<!\p{L})Co-Op(?!\p{L})/gu, 'Co-op')
    .replace(/(?<= )S\. ?r\. ?o\.?$/iu, 's.r.o.')
    .replace(/(?<= )A\. ?S\.$/u, 'a.s.');
}

/** A letter in small or capital as the one it stands for. */
export const inCaseOf = (letter: string, other: string): string =>
  letter === letter.toUpperCase() ? other.toUpperCase() : other.toLowerCase();
