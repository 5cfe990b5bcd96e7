import type { Placeholder, PlaceholderValues } from './placeholders';

/** A piece of a template: text as it goes, or a place that is filled in. */
export type Piece =
  string | { field: Placeholder; /** Put where nothing is known; empty for: not without. */ fallback: string };

export interface TemplateText {
  subject: readonly Piece[];
  /** Lines end with a line feed; an empty line parts paragraphs. */
  body: readonly Piece[];
}

export type Filled = { subject: string; body: string; missing: [] } | { missing: Placeholder[] };

/** @returns the text for one person, or which values it cannot go without */
export function fillTemplate({ subject, body }: TemplateText, values: PlaceholderValues): Filled {
  const missing = new Set<Placeholder>();
  const fill = (pieces: readonly Piece[], asLine: boolean) =>
    pieces
      .map((piece) => {
        if (typeof piece === 'string') return piece;
        const value = values[piece.field]?.trim() || piece.fallback.trim();
        if (!value) missing.add(piece.field);
        return asLine ? value.replace(/\s+/g, ' ') : value;
      })
      .join('');
  const filled = { subject: fill(subject, true).replace(/\s+/g, ' ').trim(), body: tidy(fill(body, false)) };
  return missing.size > 0 ? { missing: [...missing] } : { ...filled, missing: [] };
}

/** No line ends in blanks, and no more than one is empty. */
const tidy = (text: string): string =>
  text
    .replace(/[^\S\n]+$/gm, '')
    .replace(/\n{3,}/g, '\n\n')
    .trim();

/** The text for a language: in that one, else in English, else in any. */
export const textIn = <T>(
  texts: Readonly<Record<string, T>>,
  language: string,
): { language: string; text: T } | undefined => {
  const chosen = [language, 'en', ...Object.keys(texts)].find((one) => Object.hasOwn(texts, one));
  return chosen === undefined ? undefined : { language: chosen, text: texts[chosen]! };
};

export const fieldsIn = ({ subject, body }: TemplateText): Placeholder[] => [
  ...new Set([...subject, ...body].flatMap((piece) => (typeof piece === 'string' ? [] : [piece.field]))),
];
