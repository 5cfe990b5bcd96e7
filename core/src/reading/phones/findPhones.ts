import { parsePhoneNumberFromString, type CountryCode, type PhoneNumber } from 'libphonenumber-js/max';
import { distance, type Quad } from '../../capture';
import { fold } from '../../text';
import { spansOverlap } from '../cardLine';
import type { PhoneKind, SourceSpan } from '../proposal';
import { registersIn } from './registers';
import { extensionPattern, phoneLabels, type PhoneLabel } from '../tables/labels';
import type { ReadLine } from '../types';

/** A run of digits that may be a phone number, before its country is known. */
export interface PhoneCandidate {
  /** As printed, without label and extension; look-alike letters among digits set right. */
  printed: string;
  label?: PhoneLabel;
  extension?: string;
  /** Whether another word than a label stands right before it, as before the number of some register. */
  isNamed: boolean;
  /** Includes label and extension. */
  source: SourceSpan;
  /** Where it goes on, when it is divided over two lines. */
  rest?: SourceSpan;
}

export interface FoundPhone {
  value: string;
  kind: PhoneKind;
  extension?: string;
  /** Whether the number is one that can exist in its country. */
  possible: boolean;
  valid: boolean;
  labelled: boolean;
}

/** No number begins with an O that stands by itself: that is its label. A sign of a hundredth among digits is a speck. */
const NUMBER =
  /(?<!\p{L}{2})(?:\+|\(\+|00(?=[1-9])|\()?\s?(?![Oo][\s.:])[\dOolI](?:(?:[\s().\-–—/%]{0,3}|·)(?:\d|[OolIsS](?!(?![OolIsS])\p{L}))){5,}/gu;
/** No calling code begins with a nought: the plus was a "t". Nor does a North American number: the nought was an "O". */
const LABEL_READ_AS_SIGN = /^\+\s*(?=0)|^0[\s.:]+(?=\(?[2-9]\d\d\)?[\s.-]*\d{3}[\s.-]*\d{4}$)/;
const FEWEST_DIGITS = 7;
const MOST_DIGITS = 15;

/** Runs of digits in lines that are not about registers, tax or banks and not inside `taken`. */
export function findPhoneCandidates(lines: readonly ReadLine[], taken: readonly SourceSpan[]): PhoneCandidate[] {
  return lines.flatMap((line, index) => {
    const registers = registersIn(line.text);
    return [...line.text.matchAll(NUMBER)].flatMap(numbersIn).flatMap((match) => {
      const run = beforeRemark(match.text);
      const from = match.index + run.length - run.trimStart().length;
      const printed = trimOpenBracket(digitsForLookAlikes(run.trim())).replace(LABEL_READ_AS_SIGN, '');
      const digits = printed.replace(/\D/g, '').length;
      const source = { line: index, from, to: match.index + run.length };
      if (digits < FEWEST_DIGITS || digits > MOST_DIGITS || !/\d{2}/.test(run)) return [];
      if (taken.some((t) => spansOverlap(t, source))) return [];
      if (registers.some((part) => from >= part.from && from < part.to)) return [];
      const rest = line.text.slice(source.to);
      const extension = extensionPattern.exec(rest);
      const atOnce = extension && extension.index <= 2 ? extension : undefined;
      const glued = printed.startsWith('+') ? GLUED_BEFORE_PLUS : GLUED_LABEL;
      if (/[\p{L}\d@]$/u.test(line.text.slice(0, from).replace(glued, ''))) return [];
      // "6541int. 592": the blank before an extension was swallowed.
      if (/^[\p{L}@]/u.test(rest) && atOnce?.index !== 0) return [];
      if (isAddressNumber(line.text, run, from)) return [];
      const label = labelBefore(line.text, from);
      const isFirst = !/[\p{L}\d]/u.test(line.text.slice(0, from));
      const shown = isFirst ? (line.icon ?? kindBeside(lines, line) ?? kindAbove(lines, line)) : undefined;
      if (atOnce) source.to += atOnce.index + atOnce[0].length;
      source.from = label?.from ?? source.from;
      const second = line.text.length === source.to ? secondHalf(printed, line, lines) : undefined;
      const isNamed = !label && /\p{L}{2,}\s?[:#]?\s*$/u.test(line.text.slice(0, from));
      const whole = second ? `${printed} ${lines[second.line]!.text}` : printed;
      return [{ printed: whole, label: label?.kind ?? shown, extension: atOnce?.[1], isNamed, source, rest: second }];
    });
  });
}

/** The line right below that ends an international number which is none without it: "+32 470 44" over "01 18". */
function secondHalf(printed: string, line: ReadLine, lines: readonly ReadLine[]): SourceSpan | undefined {
  const isValid = (text: string) => parsePhoneNumberFromString(text)?.isValid() ?? false;
  if (!printed.startsWith('+') || isValid(printed)) return undefined;
  const height = distance(line.quad[0], line.quad[3]);
  const index = lines.findIndex(
    ({ text, quad: [corner] }) =>
      /^\d[\d ./-]*$/.test(text) &&
      corner[1] - line.quad[0][1] > 0.5 * height &&
      corner[1] - line.quad[0][1] < 2 * height &&
      Math.abs(corner[0] - line.quad[0][0]) < 2 * height &&
      isValid(`${printed} ${text}`),
  );
  return index < 0 ? undefined : { line: index, from: 0, to: lines[index]!.text.length };
}

/** A single letter whose blank was swallowed: "T01 99 00 91 54". */
const GLUED_LABEL = /(?<![\p{L}\d])[TMFPDCOW]$/iu;

/** Before a plus any short word is one: "GSM+32 470 44 01 18". */
const GLUED_BEFORE_PLUS = /(?<![\p{L}\d])\p{L}{1,6}\.?$/u;

/** House number and postal code in a row, or a postal code of eight digits with its label or its town's region. */
function isAddressNumber(text: string, run: string, from: number): boolean {
  if (/\s\/\s/.test(run) && !/^[\s(]*[0+]/.test(run)) return true;
  const isBeforeWord = /^\s+\p{Lu}/u.test(text.slice(from + run.trim().length));
  const before = text.slice(0, from);
  // "Via Santo Stefano 56 – 40125": a word that is no label, and a dash with blanks.
  const isBehindName =
    /\p{L}{3}\s+$/u.test(before) && /^\d{1,3} [–—-] \d{5}$/.test(run.trim()) && !labelBefore(text, from);
  const endsStreet = text.length === from + run.trim().length && (isBehindName || /\p{L}{3}.*,\s*$/u.test(before));
  if (
    (isBeforeWord || endsStreet) &&
    /^[1-9]\d{0,3}(?: [–—-] \d{4}|(?:\/\d{1,3})+[.,]? \d{4}|[.,]? (?:[–—-] )?\d{5})$/.test(run.trim())
  )
    return true;
  return /^\d{5}-\d{3}$/.test(run.trim()) || /\bCEP\W*$/i.test(before);
}

/** "02 98 88 01 44 / 06 60 44 12 08" is two numbers where each part is one by its length. */
function numbersIn({ 0: run, index }: RegExpExecArray): { text: string; index: number }[] {
  const parts = run.split(/(\s+[/–—-]\s+|\s?\/\s?)/);
  const areNumbers = parts.every((part, i) => i % 2 === 1 || part.replace(/\D/g, '').length >= FEWEST_DIGITS);
  if (!areNumbers) return [{ text: run, index }];
  let at = index;
  return parts.flatMap((part, i) => {
    const text = i % 2 === 0 ? [{ text: part, index: at }] : [];
    at += part.length;
    return text;
  });
}

/** "028 4377 0218 (24 hrs)": a bracket that opens after a whole number and does not close among its digits is a remark. */
function beforeRemark(run: string): string {
  const number = /^(.*\d)\s*\([^)]*$/.exec(run)?.[1] ?? '';
  return number.replace(/\D/g, '').length >= FEWEST_DIGITS ? number : run;
}

const trimOpenBracket = (text: string): string =>
  text.includes('(') && !text.includes(')') ? text.replace('(', '') : text;

const digitsForLookAlikes = (text: string): string =>
  text.replace(/[Oo]/g, '0').replace(/[lI]/g, '1').replace(/[sS]/g, '5');

const LABELS = (Object.entries(phoneLabels) as [PhoneLabel, readonly string[]][])
  .flatMap(([kind, words]) => words.map((word) => ({ kind, word })))
  .sort((a, b) => b.word.length - a.word.length);

function labelBefore(text: string, at: number): { kind: PhoneLabel; from: number } | undefined {
  const before = text.slice(0, at);
  const match = /(?:^|[\s|/·•,;)])(?<label>\p{L}[\p{L}\s.-]*?)\s?[.:;]*\s*$/u.exec(before);
  if (!match) return undefined;
  const label = fold(match.groups!.label!).replace(/\./g, ' ').replace(/\s+/g, ' ').trim();
  const found = LABELS.find(({ word }) => label === word || label.endsWith(` ${word}`));
  if (!found) return undefined;
  const from = before.length - match[0].trimStart().length;
  const alsoTelephone =
    found.kind === 'fax' && (ALSO_TELEPHONE.test(before.slice(0, from + 1)) || TELEPHONE_AND_FAX.test(label));
  return { kind: alsoTelephone ? 'work' : found.kind, from };
}

/** How far before a number its label stands in a column of labels, in line heights. */
const LABEL_REACH = 12;

/** What a label says that stands by itself to the left of a number's line; of a telephone the number tells more. */
function kindBeside(lines: readonly ReadLine[], { quad }: ReadLine): 'mobile' | 'fax' | undefined {
  const place = ([a, b, c, d]: Quad) => ({
    left: (a[0] + d[0]) / 2,
    right: (b[0] + c[0]) / 2,
    middle: (a[1] + d[1]) / 2,
  });
  const { left, middle } = place(quad);
  const height = distance(quad[0], quad[3]);
  // The height of a line's other end tells little on a card that lies a little turned: the ends that face each other do.
  const before = lines
    .map(({ text, quad: other }) => ({
      text,
      gap: left - place(other).right,
      off: (other[1][1] + other[2][1]) / 2 - middle,
    }))
    .filter(
      ({ text, gap, off }) =>
        gap > (/\($/.test(text) ? -1 : -0.3) * height && gap < LABEL_REACH * height && Math.abs(off) < 0.5 * height,
    )
    .sort((one, two) => one.gap - two.gap)[0];
  const said = before?.text.replace(/[\s(]+$/, '') ?? '';
  const label = labelBefore(`${said} `, said.length + 1);
  return label?.from === 0 && label.kind !== 'work' ? label.kind : undefined;
}

/** What a label says that ends the line above a number, parted from what is before it: "Telefon 06722-7740 · Telefax". */
function kindAbove(lines: readonly ReadLine[], line: ReadLine): 'mobile' | 'fax' | undefined {
  const height = distance(line.quad[0], line.quad[3]);
  const middle = ({ quad: [a, b, c, d] }: ReadLine) =>
    [(a[0] + b[0] + c[0] + d[0]) / 4, (a[1] + b[1] + c[1] + d[1]) / 4] as const;
  const [x, y] = middle(line);
  const above = lines.find((other) => {
    const [otherX, otherY] = middle(other);
    const reach = distance(other.quad[0], other.quad[1]);
    return y - otherY > 0.5 * height && y - otherY < 2 * height && Math.abs(x - otherX) < reach;
  });
  const last = above && /[|·•,/]\s*(\p{L}[\p{L}.]*):?$/u.exec(above.text)?.[1];
  const label = last && labelBefore(`${last} `, last.length + 1);
  return label && label.kind !== 'work' ? label.kind : undefined;
}

/** "Tel./Fax" and "Tel. e Fax": one number for both can be called. */
const ALSO_TELEPHONE = /(?:^|[^\p{L}])(?:t|tel|telefon|fon|phone)\.?\s?[/+&]\s?\p{L}?$/iu;
const TELEPHONE_AND_FAX = /^(?:t|tel|telefon|telefono|fon|phone) (?:e|y|und|and|et|en|og|och|ja|i) (?:f|fax|telefax)$/;

/** A number with its country, kind and validity; undefined when no country makes it possible. */
export function placePhone(candidate: PhoneCandidate, country: string | undefined): FoundPhone | undefined {
  const printed = candidate.printed
    .replace(/\(0\)/, '')
    .replace(/[–—/·]/g, ' ')
    .replace(/%/g, '')
    .replace(/^00/, '+')
    .replace(/^\(\+/, '+');
  const parsed = parsePhoneNumberFromString(printed, country as CountryCode | undefined);
  if (!parsed?.isPossible()) return undefined;
  const mobile = isMobile(parsed);
  if (candidate.isNamed && parsed.countryCallingCode === '1' && !isGroupedAsNorthAmerican(printed)) return undefined;
  return {
    value: parsed.number,
    kind:
      mobile && (!candidate.label || (candidate.label === 'work' && isVagueLabel(candidate)))
        ? 'mobile'
        : (candidate.label ?? 'work'),
    extension: candidate.extension ?? parsed.ext,
    possible: true,
    valid: parsed.isValid(),
    labelled: candidate.label !== undefined,
  };
}

/** Area, exchange and line stand in three, three and four digits; "5588-1204-01" is no number to call. */
const isGroupedAsNorthAmerican = (printed: string): boolean =>
  /^[^\d]*(?:1[^\d]*)?\d{3}[^\d]*\d{3}[^\d]*\d{4}$/.test(printed);

/** "T", "P" and "Tel" stand before any number; the number's own type then says more. */
const isVagueLabel = (candidate: PhoneCandidate): boolean => !candidate.extension;

/** Beginnings of Danish mobile numbers; the library's plan lets most of them be anything. */
const DANISH_MOBILE = /^(?:2|3[01]|4[0-2]|5[0-3]|6[01]|71|81|9[1-3])/;

/** Whether the number's plan says so: in North America it does not. */
function isMobile(phone: PhoneNumber): boolean {
  if (phone.country === 'DK') return DANISH_MOBILE.test(phone.nationalNumber);
  return phone.getType() === 'MOBILE' && phone.country !== 'US' && phone.country !== 'CA';
}
