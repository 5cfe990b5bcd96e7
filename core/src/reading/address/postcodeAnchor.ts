import { isNextInBlock, spanOf, type CardLine } from '../cardLine';
import type { SourceSpan } from '../proposal';
import { hasStreetWord } from './streetLine';
import { bareDigitCountries, postcodeForms, states, type PostcodeForm } from '../tables/addressWords';

/** One part of an address with where it is printed. */
export interface AddressPart {
  value: string;
  sources: SourceSpan[];
}

/** Where an address hangs: its code, what stands beside it on the line, and how its country writes it. */
export interface Anchor {
  line: CardLine;
  form: Pick<PostcodeForm, 'country' | 'town'>;
  /** None where a state alone tells that it is an address. */
  code?: AddressPart;
  region?: AddressPart;
  before: SourceSpan & { text: string };
  after: SourceSpan & { text: string };
}

/** The line with a postal code, of the most telling form. */
export function bestAnchor(lines: readonly CardLine[], country: string | undefined): Anchor | undefined {
  const rows = [...lines.map((line) => [line]), ...brokenRows(lines)];
  for (const form of postcodeForms) {
    const owners = bareDigitCountries[form.country] ?? [form.country];
    if (country && !owners.includes(country)) continue;
    const anchor = rows.map((row) => anchorIn(row, form)).find((found) => found !== undefined);
    if (anchor) return anchor;
  }
  return undefined;
}

/** Lines of one address differ by what stands above and hangs below: "4000" over "Liège". */
const ONE_TYPE = 1.7;

/** Each line that may go on in the next one of its column, with that. */
const brokenRows = (lines: readonly CardLine[]): [CardLine, CardLine][] =>
  lines.flatMap((upper) =>
    lines
      .filter((lower) => lower !== upper && isNextInBlock(upper, lower, ONE_TYPE) && /[\p{L}\d,]$/u.test(upper.text))
      .map((lower): [CardLine, CardLine] => [upper, lower]),
  );

/** A postal code of some form in a line, or across the end of one where it goes on in the next, with what stands beside it. */
function anchorIn([line, next]: readonly CardLine[], form: PostcodeForm): Anchor | undefined {
  if (!line) return undefined;
  const text = next ? `${line.text} ${next.text}` : line.text;
  const match = new RegExp(form.pattern, 'gu').exec(text);
  if (!match) return undefined;
  const code = match.groups?.code ?? match[0];
  const end = match.index + match[0].length;
  const lead = text.slice(0, match.index);
  const tail = text.slice(end);
  const ending = form.town === 'after' ? end + tail.search(/\p{L}/u) : end;
  if (next && !(match.index < line.text.length && ending > line.text.length)) return undefined;
  if (form.town === 'after' && !/\p{L}{2}/u.test(tail)) return undefined;
  // Bare digits at the end of a line are a code behind a comma, or alone, only: "Since 1931" is none.
  if (next && form.country in bareDigitCountries && lead && !/(?:,|\s[–—·•|-])\s*$/.test(lead)) return undefined;
  const isAfterHouse = /\p{L}.*[\s,]\d{1,3} $/u.test(lead) && code.length === 5 && hasStreetWord(lead);
  if ((/\d[\s./-]?$/.test(lead) && !isAfterHouse) || /^[\s./-]?\d/.test(tail)) return undefined;
  const spans = (from: number, to: number): SourceSpan[] => {
    const cut = line.text.length;
    const part = (of: CardLine, a: number, b: number) => [{ line: of.index, from: of.from + a, to: of.from + b }];
    const first = from < cut ? part(line, from, Math.min(to, cut)) : [];
    const second = next && to > cut + 1 ? part(next, Math.max(0, from - cut - 1), to - cut - 1) : [];
    return [...first, ...second];
  };
  const at = match.index + match[0].lastIndexOf(code);
  const region = match.groups?.region;
  const behind = end > line.text.length && next ? next : line;
  const offset = behind === line ? 0 : line.text.length + 1;
  // The town behind a code at the end of a line begins the next one.
  const [after, from] = next && behind === line ? [next, 0] : [behind, end - offset];
  return {
    line,
    form,
    code: { value: code.toUpperCase(), sources: spans(at, at + code.length) },
    region: region ? { value: region, sources: spans(match.index, match.index + region.length) } : undefined,
    before: {
      line: line.index,
      from: line.from,
      to: line.from + match.index,
      text: lead.replace(/(?:\bCEP:?|\b[A-Z]{1,2}-)\s*$/, ''),
    },
    after: { ...spanOf(after), from: after.from + from, text: after.text.slice(from) },
  };
}

/** Without a code: a town before the letters of a state, on the line of its street or under that. */
export function stateAnchor(lines: readonly CardLine[], country: string | undefined): Anchor | undefined {
  const state = states[country ?? ''];
  if (!country || !state) return undefined;
  const isStreet = ({ text }: CardLine) => /\d/.test(text) && hasStreetWord(text);
  for (const line of lines) {
    const match = new RegExp(`(?<=\\p{L}(?:,\\s*|\\s[-–]\\s|/))(?:${state})\\.?$`, 'u').exec(line.text);
    if (!match || !(isStreet(line) || lines.some((above) => isStreet(above) && isNextInBlock(above, line, 1.5))))
      continue;
    const [from, end] = [line.from + match.index, line.from + line.text.length];
    return {
      line,
      form: { country, town: 'before' },
      region: { value: match[0].replace('.', ''), sources: [{ line: line.index, from, to: end }] },
      before: { line: line.index, from: line.from, to: from, text: line.text.slice(0, match.index) },
      after: { line: line.index, from: end, to: end, text: '' },
    };
  }
  return undefined;
}
