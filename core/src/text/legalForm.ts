import { foldTight } from './fold';
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
export const withoutLegalForm = (text: string): string => parted(text).name;

/** Ways to write one form out; what is not here stands for itself. */
const SPELLED_OUT: Readonly<Record<string, string>> = {
  limited: 'ltd',
  incorporated: 'inc',
  corporation: 'corp',
  company: 'co',
  aktiengesellschaft: 'ag',
  gesellschaftmitbeschrankterhaftung: 'gmbh',
  aktieselskab: 'as',
  aktiebolag: 'ab',
  publiclimitedcompany: 'plc',
};

/** The legal form at the end of a firm's name in one spelling, several together: "gmbhcokg"; empty where there is none. */
export function legalFormOf(text: string): string {
  let form = '';
  for (let { name, form: last } = parted(text); last; { name, form: last } = parted(name)) {
    const tight = foldTight(last);
    form = (SPELLED_OUT[tight] ?? tight) + form;
  }
  return form;
}

function parted(text: string): { name: string; form: string } {
  const trimmed = text.trim();
  const spaced = SPACED_FORM.exec(trimmed);
  const bare = spaced ? trimmed.slice(0, spaced.index) : trimmed;
  const last = /[\s,]+(\S+)$/.exec(bare);
  const isForm = last && legalForms.has(last[1]!.replace(/[.,]/g, ''));
  const name = isForm ? bare.slice(0, last.index) : bare;
  return { name, form: trimmed.slice(name.length) };
}

/** Whether a text is nothing but a legal form: "Sp. z o.o." under the firm's name, "Lda." behind its comma. */
export const isLoneForm = (text: string): boolean =>
  text.length < 15 && legalForms.has(text.replace(/[\s.,/&()]/g, '').replace(/0/g, 'o'));
