import { cutLine, type CardLine } from '../cardLine';
import { isRegistration } from '../tables/labels';

interface Part {
  from: number;
  to: number;
}

/** A dash or a slash stands within such numbers as well. */
const BETWEEN_PARTS = /\s*[|·•]\s*/g;

/** What a text says about registers, tax offices, licences and banks: parts between separators, or all of it. */
export function registersIn(text: string): Part[] {
  if (!isRegistration(text)) return [];
  const cuts = [...text.matchAll(BETWEEN_PARTS)].map((cut) => ({ from: cut.index, to: cut.index + cut[0].length }));
  const ends = [...cuts, { from: text.length, to: text.length }];
  const parts = ends.map((end, i): Part => ({ from: ends[i - 1]?.to ?? 0, to: end.from }));
  const own = parts.filter(({ from, to }) => isRegistration(text.slice(from, to)));
  return own.length > 0 ? own : [{ from: 0, to: text.length }];
}

/** The line, or what it says beside registers: nothing where it is about one. */
export function besideRegisters(line: CardLine): CardLine[] {
  const registers = registersIn(line.text);
  return registers.length > 0 ? cutLine(line, registers) : [line];
}
