import { isKnownDomain } from '../../text/domains';
import { isNextInBlock, spansOverlap, type CardLine } from '../cardLine';
import { toAddressLetters, type FoundAddress } from './findEmails';
import type { SourceSpan } from '../proposal';
import type { ReadLine } from '../types';

const WEB =
  /(?<scheme>https?\s?[:;]\s?\/\s?\/\s?)?(?<www>w{3,5}\s?[.,]\s?)?(?<host>[\p{L}\d][\p{L}\d-]*(?:\.[\p{L}\d-]+)*\s?\.\s?\p{L}{2,})(?<path>\/[\p{L}\d\-._~/%]*)?/giu;

/** Web addresses as `host` or `host/path`, without scheme and `www.`; parts of e-mail addresses are left out. */
export function findWebsites(lines: readonly ReadLine[], taken: readonly SourceSpan[]): FoundAddress[] {
  return lines.flatMap((line, index) =>
    [...line.text.matchAll(WEB)].flatMap((match) => {
      const source = { line: index, from: match.index, to: match.index + match[0].length };
      const { scheme, www, host = '', path = '' } = match.groups!;
      if (taken.some((t) => spansOverlap(t, source)) || line.text[source.from - 1] === '@') return [];
      const plain = !scheme && !www;
      if (plain && (/\.\s/.test(host) || !looksLikeHost(host) || STREET_IN_SHORT.test(host))) return [];
      const domain = toAddressLetters(host);
      if (!isKnownDomain(domain)) return [];
      const value = domain + toAddressLetters(path).replace(/\/+$/, '');
      return [{ value, domain, source }];
    }),
  );
}

/** The end of a line that goes on in the next: "www.savonnerie-". */
const FIRST_HALF = /(?:^|\s)(?:www\.)?([\p{L}\d][\p{L}\d.-]*)[–-]$/iu;

/** Gives addresses that begin their line what ends the line above: "www.savonnerie-" and "alpilles.example". */
export const joinBrokenWebsites = (websites: readonly FoundAddress[], geometry: readonly CardLine[]): FoundAddress[] =>
  websites.map((website) => {
    if (website.rest || website.source.from > 0) return website;
    const lower = geometry.find(({ index }) => index === website.source.line);
    const upper = lower && geometry.find((line) => FIRST_HALF.test(line.text) && isNextInBlock(line, lower));
    if (!upper || !looksLikeAddress(upper.text)) return website;
    const match = FIRST_HALF.exec(upper.text)!;
    const half = `${toAddressLetters(match[1]!)}-`;
    const source = { line: upper.index, from: match.index, to: upper.text.length };
    return { ...website, value: half + website.value, domain: half + website.domain, source, rest: website.source };
  });

/** One word, or behind "www.": a sentence that ends in a divided word is no address. */
const looksLikeAddress = (text: string): boolean => /www\./i.test(text) || !/\s/.test(text);

/** A shortened street word whose blank was swallowed: "Ctra.de Vitoria". */
const STREET_IN_SHORT =
  /^(?:ctra|carr|avda?|urb|pza|plz|pl|bd|blvd|boul|all|imp|fbg|rte|chem|str|bo|dr|pol)\.(?:de|do|da|du|la|st|am)$/i;

/** "B.Ag.Sc" */
const LETTERS_BEHIND_NAME = /^\p{Lu}\p{L}{0,2}(?:\.\p{Lu}\p{L}{0,2}){2,}$/u;

/** "S.A." and "B.Sc" are not hosts: without `www.` the name needs two letters and lower case somewhere. */
function looksLikeHost(host: string): boolean {
  const labels = host.split('.');
  return (
    labels[labels.length - 2]!.trim().length > 1 &&
    !LETTERS_BEHIND_NAME.test(host) &&
    /[a-z]/.test(labels[labels.length - 1]!) &&
    !/^\d+$/.test(labels[0]!)
  );
}
