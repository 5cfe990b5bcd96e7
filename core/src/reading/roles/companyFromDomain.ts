import { asciiSpellings, fold } from '../../text';
import { domainLabel, isFreeMail } from '../../text/domains';
import { withoutLegalForm } from '../../text/legalForm';
import { legalForms, tradeWords } from '../../text/tables/companyWords';
import { titleJoiners } from '../../text/tables/titleWords';

/** The company a person would read out of its domain: "quilingen-pianos.au" gives "Quilingen Pianos"; undefined for free-mail. */
export function companyFromDomain(domain: string): string | undefined {
  if (isFreeMail(domain)) return undefined;
  return splitTradeWord(domainLabel(domain))
    .map((word) => (legalForms.has(word) ? word.toUpperCase() : word.charAt(0).toUpperCase() + word.slice(1)))
    .join(' ');
}

/** Breaks at hyphens, and before a trade word that ends the label. */
function splitTradeWord(label: string): string[] {
  return label.split('-').flatMap((word) => {
    for (let at = word.length - 4; at >= 4; at--) {
      const end = word.slice(at);
      if (end.length >= 5 && tradeWords.has(end) && !tradeWords.has(word.slice(at - 1)))
        return [word.slice(0, at), end];
    }
    return [word];
  });
}

/** The domain stands in a name as it is, with a few letters around it: "Comhairle na hOidhreachta" of oidhreacht. */
const WITHIN_NAME = 0.7;
const LEAST_WITHIN = 6;

/** How well the part of a domain before its first hyphen agrees. */
const FIRST_PART = 0.75;

/**
 * How well a printed name agrees with a domain, 0–1: the share of the domain's letters that the
 * name's words account for, in any order, a word counting by its beginning; a name that is all of the domain up to
 * its first hyphen agrees well, however long the rest is ("Eldith" and eldith-menuiserie).
 */
export function domainAgreement(name: string, domain: string): number {
  if (isFreeMail(domain)) return 0;
  const parts = domainLabel(domain).split('-');
  const label = parts.join('');
  const words = withoutLegalForm(name)
    .split(/[\s\-&.,/]+/)
    .filter((w) => fold(w).length > 1 && !legalForms.has(w));
  const isFirstPart = parts.length > 1 && spellings(words).some((variant) => variant.join('') === parts[0]);
  const isWithin =
    label.length >= LEAST_WITHIN && words.some((w) => fold(w).length <= label.length + 3 && fold(w).includes(label));
  return Math.max(
    isFirstPart ? FIRST_PART : 0,
    isWithin ? WITHIN_NAME : 0,
    isInitials(label, words) ? 1 : 0,
    ...spellings(words).map((variant) => coveredLetters(label, variant) / label.length),
  );
}

/** "EFO" of the "Entrepôts Frigorifiques de l'Ouest": with or without the words that join others. */
function isInitials(label: string, words: readonly string[]): boolean {
  const initialsOf = (some: readonly string[]) =>
    some.map((w) => fold(w.replace(/^[ldLD]['’](?=\p{L})/u, '')).charAt(0)).join('');
  const counted = [words, words.filter((w) => !titleJoiners.has(w))];
  return label.length > 1 && counted.some((some) => initialsOf(some) === label);
}

function spellings(words: readonly string[]): string[][] {
  return [0, 1].map((k) => words.map((w) => asciiSpellings(w)[k] ?? asciiSpellings(w)[0]!));
}

function coveredLetters(label: string, words: readonly string[]): number {
  let rest = label;
  let covered = 0;
  for (const word of [...words].sort((a, b) => b.length - a.length)) {
    for (let length = Math.min(word.length, rest.length); length >= Math.min(3, word.length); length--) {
      const at = rest.indexOf(word.slice(0, length));
      if (at < 0) continue;
      covered += length;
      rest = `${rest.slice(0, at)} ${rest.slice(at + length)}`;
      break;
    }
  }
  return covered;
}
