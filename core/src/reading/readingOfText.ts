import { writable, fold } from '../text';
import {
  disclaimers,
  fieldLabels,
  greetings,
  mailHeaders,
  quoteHeads,
  senderHeader,
  signOffs,
} from './tables/mailWords';
import { typedReading, type TypedLine } from './typedReading';
import type { Reading } from './types';

const MOST_LINES = 60;
const LONGEST_LINE = 400;
/** A paragraph whose lines are longer than this on average is prose. */
const PROSE_LENGTH = 75;

/**
 * Lays out an e-mail signature or pasted text as if it had been read off a card: one line under the
 * other, every character certain. Quoted mail, the letter itself, its greeting and the small print
 * below it are left out.
 * @returns a reading without lines when nothing of a signature is there
 */
export function readingOfText(text: string): Reading {
  const lines: TypedLine[] = [];
  let row = 0;
  for (const raw of signatureLines(text)) {
    row++;
    const line = withoutMarks(raw.trim());
    if (!line || lines.length >= MOST_LINES) continue;
    lines.push({ text: writable(line.slice(0, LONGEST_LINE)), row });
  }
  return typedReading(lines, row);
}

/** Without stars for bold type, and without the word that names what the line holds. */
function withoutMarks(line: string): string {
  const plain = line.replace(/(?<![\p{L}\d*])\*+([^*]+)\*+(?![\p{L}\d*])/gu, '$1');
  const folded = fold(plain);
  const label = folded.length === plain.length ? fieldLabels.exec(folded)?.[0].length : undefined;
  return plain.slice(label ?? 0);
}

function signatureLines(text: string): string[] {
  const all = writable(text)
    .normalize('NFC')
    .replace(/^\uFEFF/, '')
    .split(/\r\n?|\n/);
  const own = withoutQuotes(all);
  const behind = afterLast(own, (line) => /^--\s?$/.test(line)) ?? afterLast(own, isSignOff);
  const kept = behind && behind.some((line) => line.trim()) ? behind : own.filter((line) => !isGreeting(line));
  const signature = paragraphs(kept)
    .filter((paragraph) => !isSmallPrint(paragraph) && !isProse(paragraph))
    .flatMap((paragraph) => [...paragraph, '']);
  const said = signature.join('\n').toLowerCase();
  return said.trim() ? [...signature, ...senderOf(all).filter((address) => !said.includes(address))] : [];
}

/** The address a whole message came from, as its own headers say: those before anything else. */
function senderOf(lines: readonly string[]): string[] {
  const end = lines.findIndex((line) => line.trim() && !isHeader(line) && !isQuoteHead(line));
  return lines
    .slice(0, Math.max(0, end))
    .flatMap((line) => senderHeader.exec(fold(line).trim())?.groups?.address ?? [])
    .slice(0, 1);
}

/** What somebody else wrote: marked lines, and all that follows the head of a quotation. */
function withoutQuotes(lines: readonly string[]): string[] {
  const first = lines.findIndex((line) => line.trim());
  const head = lines.findIndex((line, i) => i > first && (isQuoteHead(line) || startsHeaders(lines, i)));
  return (head < 0 ? lines : lines.slice(0, head)).filter(
    (line) => !/^\s*>/.test(line) && !isHeader(line) && !isQuoteHead(line),
  );
}

/** Two header lines in a row: a forwarded message begins. One alone may be a label ("To: …"). */
const startsHeaders = (lines: readonly string[], at: number): boolean =>
  [0, 1].every((k) => isHeader(lines[at + k] ?? '')) &&
  lines.slice(0, at).some((line) => line.trim() && !isHeader(line) && !isQuoteHead(line));

const isHeader = (line: string): boolean => mailHeaders.test(fold(line).trim());
const isQuoteHead = (line: string): boolean => quoteHeads.test(fold(line).trim());

const isSignOff = (line: string): boolean => line.split('/').every((part) => signOffs.test(fold(part).trim()));
const isGreeting = (line: string): boolean => greetings.test(fold(line).trim());

function afterLast(lines: readonly string[], test: (line: string) => boolean): string[] | undefined {
  for (let i = lines.length - 1; i >= 0; i--) {
    if (test(lines[i]!) && lines.slice(i + 1).some((line) => line.trim())) return lines.slice(i + 1);
  }
  return undefined;
}

function paragraphs(lines: readonly string[]): string[][] {
  const found: string[][] = [[]];
  for (const line of lines) {
    if (line.trim()) found[found.length - 1]!.push(line);
    else if (found[found.length - 1]!.length > 0) found.push([]);
  }
  return found.filter((paragraph) => paragraph.length > 0);
}

const isSmallPrint = (paragraph: readonly string[]): boolean => {
  const joined = fold(paragraph.join(' '));
  return disclaimers.test(joined) && !/@|\d{6}/.test(joined.replace(/[\s().-]/g, ''));
};

/** Sentences, as the letter above the signature has: long lines, or a full stop behind several small words. */
function isProse(paragraph: readonly string[]): boolean {
  const joined = paragraph.join(' ').trim();
  const words = joined.split(/\s+/);
  const small = words.filter((word) => /^\p{Ll}{2,}[,.;!?]?$/u.test(word)).length;
  const mean = joined.length / paragraph.length;
  const sentence = /\p{Ll}{2,}[.!?…](?:\s|$)/u.test(joined);
  return small >= 5 && (small / words.length > 0.5 || mean > PROSE_LENGTH) && (sentence || mean > PROSE_LENGTH);
}
