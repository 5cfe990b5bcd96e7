import type { PrintedCard } from '@dossier/core/fixtures/printed-cards';
import { isDoubt, proposeFields, type CardProposal, type FieldName, type FieldProposal } from '@dossier/core/reading';
import type { TruthPhoto } from './calibration';
import { cardAt, type Shown } from './doubts';
import type { DeskCard } from './readFiles';

/** What is to be read on a card, by what it is; null where the truth tells nothing of it. */
export type Wanted = Partial<Record<FieldName, readonly string[] | null>>;

/** As the files of printed cards tell it: of the parts of a name only the whole, and nothing of what they do not name or of what is printed otherwise. */
export function wantedOfPrinted({ expected, lines }: PrintedCard): Wanted & { name: string } {
  const printed = lines.join('').toLowerCase().replace(/[^\p{L}\d@]/gu, '');
  const isPrinted = (text: string) => printed.includes(text.toLowerCase().replace(/[^\p{L}\d@]/gu, ''));
  const told = (text: string | undefined, list = false) => {
    const values = text === undefined ? [] : list ? text.split(', ') : [text];
    return values.length > 0 && (list ? values.every((value) => value.startsWith('+') || isPrinted(value)) : isPrinted(values[0]!)) ? values : null;
  };
  return {
    name: expected.name ?? '',
    title: told(expected.title),
    company: told(expected.company),
    email: told(expected.emails, true),
    phone: told(expected.phones, true),
    street: told(expected.street),
    postalCode: told(expected.postcode),
    locality: told(expected.locality),
    website: told(expected.web),
  };
} // prettier-ignore

type Fields = TruthPhoto['cards'][number]['fields'];

/** As the truth of photographs tells it. */
export function wantedOfTruth(fields: Fields, qr: string | undefined): Wanted & { name: string; said: string } {
  const one = (value: unknown) => (typeof value === 'string' && value !== '' ? [value] : []);
  const list = (value: unknown) => (Array.isArray(value) ? value : []) as unknown[];
  return {
    name: String(fields.fullName ?? ''),
    said: qr ?? '',
    suffix: one(fields.suffix),
    title: [...one(fields.title), ...list(fields.titleAlt).flatMap(one)],
    company: one(fields.company),
    email: list(fields.emails).flatMap(one),
    phone: list(fields.phones).flatMap((phone) => one((phone as { e164?: string }).e164)),
    website: [...list(fields.websites).flatMap(one), ...list(fields.social).flatMap(one)],
    street: one(fields.address?.street),
    postalCode: one(fields.address?.postalCode),
    locality: one(fields.address?.locality),
  };
}

/** Case, the kind of quotes and of dashes, and points do not count, as in the scorer of the evaluation set. */
export function plain(field: string, text: string): string {
  const alike = text
    .normalize('NFC')
    .toLowerCase()
    .replace(/[’‘`´]/g, "'")
    .replace(/[“”„«»]/g, '"')
    .replace(/[–—‑]/g, '-')
    .replace(/^(?:https?:\/\/)?www\./, '')
    .replace(/[\s.,;:/]+$/, '');
  if (field === 'title') return alike.replace(/[\s,/|·•&;+-]|\band\b/g, '');
  if (field === 'postalCode') return alike.replace(/^(?:d|a|dk|f|i|ch)-/, '').replace(/[\s-]/g, '');
  return alike.replace(/[.,()\s]/g, '');
}

const KEYS = [['title', 'title'], ['company', 'company'], ['email', 'emails'], ['phone', 'phones'], ['website', 'websites'], ['suffix', 'suffix'], ['street', 'street'], ['postalCode', 'postalCode'], ['locality', 'locality']] as const; // prettier-ignore
const NAME: readonly FieldName[] = ['givenName', 'middleName', 'familyName'];

/** Whether a proposed value is right; undefined where the truth does not tell. */
export function isRight(
  proposal: FieldProposal,
  wanted: Wanted & { name: string; said?: string },
): boolean | undefined {
  const { field, value } = proposal;
  if (NAME.includes(field)) {
    const alike = (text: string) =>
      text
        .toLowerCase()
        .replace(/[.,]/g, '')
        .replace(/[’‘`´]/g, "'")
        .normalize('NFC');
    return ` ${alike(wanted.name)} `.includes(` ${alike(value)} `);
  }
  const right = wanted[field];
  if (right === undefined || right === null) return undefined;
  if (field === 'company' && proposal.sources.length === 0) return right.some((text) => plain('name', text).replace(/-/g, '') === plain('name', value).replace(/-/g, '')); // prettier-ignore
  const is = right.some((text) => plain(field, text) === plain(field, value));
  // What only the code on a card says is neither right nor wrong.
  return is || !wanted.said || !plain('name', wanted.said).includes(plain('name', value)) ? is : undefined;
}

/** What a person sees of a card, by what the truth tells of. @param proposal undefined for a card that was not found */
export function shownOf(proposal: CardProposal | undefined, wanted: Wanted & { name: string; said?: string }): Shown[] {
  const fields = (proposal?.fields ?? []).filter(({ label, phoneKind }) => label === undefined && (phoneKind !== 'fax' || wanted.said !== undefined)); // prettier-ignore
  const least = (own: readonly FieldProposal[]) => own.length > 0 ? Math.min(...own.map(({ confidence }) => confidence)) : undefined; // prettier-ignore
  const name = fields.filter(({ field }) => NAME.includes(field));
  const said = NAME.flatMap((part) => name.filter(({ field }) => field === part)).map(({ value }) => value).join(' '); // prettier-ignore
  const shown: Shown[] = [{ key: 'name', right: plain('name', said) === plain('name', wanted.name), confidence: least(name) }]; // prettier-ignore
  for (const [field, key] of KEYS) {
    const right = wanted[field];
    if (right === undefined || right === null) continue;
    const own = fields.filter((proposed) => proposed.field === field);
    const verdicts = own.filter(({ value }) => value !== '').map((proposed) => isRight(proposed, wanted));
    const isList = key === 'emails' || key === 'phones' || key === 'websites';
    const missing = isList
      ? key !== 'websites' && right.some((text) => !own.some(({ value }) => plain(field, value) === plain(field, text)))
      : !own.some(({ value }) => value !== '') && right.length > 0;
    shown.push({ key, right: verdicts.every((verdict) => verdict !== false) && !missing, confidence: least(own) });
  }
  // Marks on what the truth does not tell of are looks at something right, as far as is known.
  const other = fields.filter(({ field, confidence }) => !NAME.includes(field) && !KEYS.some(([key]) => key === field && wanted[key] !== undefined && wanted[key] !== null) && isDoubt({ field, confidence })); // prettier-ignore
  return [...shown, ...other.map(({ field, confidence }) => ({ key: field, right: true, confidence }))];
}

/** What is shown of each front of photographs with truth that was found, after a first reading and after a second one. */
export const shownIn = (truth: readonly TruthPhoto[], desk: readonly DeskCard[]): Record<'once' | 'twice', Shown[]>[] =>
  truth
    .filter(({ tier }) => tier !== 'back')
    .flatMap(({ id, cards }) =>
      cards.flatMap(({ quad, fields, qr }) => {
        const found = cardAt(desk, id, quad);
        return found ? [shownTwice(found, wantedOfTruth(fields, qr))] : [];
      }),
    );

/** What a person sees of a card while it was read once, and once it was read twice. */
export const shownTwice = ({ reading: { again, ...first } }: DeskCard, wanted: Wanted & { name: string; said?: string }): Record<'once' | 'twice', Shown[]> => ({
  once: shownOf(proposeFields(first), wanted),
  twice: shownOf(proposeFields({ ...first, again }), wanted),
}); // prettier-ignore
