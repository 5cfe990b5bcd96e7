import { legalForms } from './tables/companyWords';

/** Forms that are written in several words, at the end of a name. */
const SPACED_FORM =
  /[\s,]+(?:sp\.?\s?z\s?o\.?\s?o\.?|s\.\s?r\.\s?l\.?|s\.\s?p\.\s?a\.?|s\.\s?a\.(?:\s?r\.\s?l\.?)?|s\.\s?r\.\s?o\.?|d\.\s?o\.\s?o\.?|gmbh\s?&\s?co\.?(?:\s?kg)?|pty\.?\s?ltd\.?)$/i;

/** Whether a text ends, or one of its later words is, a legal form: "Velmora Spedition e.K.". */
export function hasLegalForm(text: string): boolean {
  if (SPACED_FORM.test(text.trim())) return true;
  const words = text.split(/[\s/|,·•]+/).filter(Boolean);
  return words.some(
    (w, i) =>
      i > 0 &&
      legalForms.has(w.replace(/[.,]/g, '')) &&
      /^\P{Ll}|^[lgksc]/u.test(w) &&
      (w.length > 2 || i === words.length - 1),
  );
}

/** The name without the legal form at its end. */
export function withoutLegalForm(text: string): string {
  const bare = text.trim().replace(SPACED_FORM, '');
  const last = /[\s,]+(\S+)$/.exec(bare);
  return last && legalForms.has(last[1]!.replace(/[.,]/g, '')) ? bare.slice(0, last.index) : bare;
}

/** Whether a text is nothing but a legal form: "Sp. z o.o." under the firm's name, "Lda." behind its comma. */
export const isLoneForm = (text: string): boolean =>
  text.length < 15 && legalForms.has(text.replace(/[\s.,/&()]/g, '').replace(/0/g, 'o'));
