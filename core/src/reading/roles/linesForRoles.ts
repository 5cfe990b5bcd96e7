import { fold } from '../../text';
import { looksLikeStreet, mayHoldAddress } from '../address';
import { cutLine, piecesOfLine, type CardLine } from '../cardLine';
import type { SourceSpan } from '../proposal';
import { countryNames } from '../tables/addressWords';
import { isRegistration, onlineLabels, yearPattern } from '../tables/labels';

/** Those on a line, in its order. */
export const spansOn = (line: CardLine, spans: readonly SourceSpan[]): SourceSpan[] =>
  spans.filter((span) => span.line === line.index).sort((a, b) => a.from - b.from);

/** What a line has to say beside e-mail and web addresses and their labels: the line itself where it has none. */
export function besideOnline(line: CardLine, online: readonly SourceSpan[]): CardLine[] {
  const spans = spansOn(line, online);
  if (spans.length === 0) return [line];
  return cutLine(line, spans).filter((piece) => {
    const words = fold(piece.text)
      .replace(/[^a-z\s-]/g, ' ')
      .trim()
      .split(/\s+/);
    return words.filter((w) => !onlineLabels.test(w)).join('').length > 6 || mayHoldAddress(piece.text);
  });
}

/** Registers, years, handles, lone countries and street lines are never a name, title or company. */
const mayHoldRole = (line: CardLine): boolean =>
  !isRegistration(line.text) &&
  !yearPattern.test(line.text) &&
  !/^\W*@|^in\//.test(line.text) &&
  !countryNames[line.text.trim().toLowerCase()] &&
  !(
    looksLikeStreet(line.text) &&
    /^\d|\d$/.test(line.text.trim()) &&
    !/\p{L}{3,}.*\p{L}{3,}.*\p{L}{3,}/u.test(line.text)
  );

/** The line, or what stands on it before a register's number: "Loan Originator | NMLS #440918", "Advisor, NMLS 551820". */
export function partForRole(line: CardLine): CardLine[] {
  if (mayHoldRole(line)) return [line];
  if (!isRegistration(line.text)) return [];
  const [piece] = piecesOfLine(line);
  const comma = line.text.indexOf(',');
  const before = piece ?? (comma > 0 ? cutLine(line, [{ from: comma, to: line.text.length }])[0] : undefined);
  return before && isBeforeRegister(before) ? [before] : [];
}

const isBeforeRegister = (piece: CardLine): boolean =>
  piece.from === 0 && mayHoldRole(piece) && !piece.text.includes(':');
