import type { Visitor } from '@dossier/core/followup/ownCard/visitor';
import type { CardPageWords } from '@dossier/core/followup/ownCard';
import { writable } from '@dossier/core/text';
import { createHmac, timingSafeEqual } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { inWorkspace } from '../../../platform/workspaceScope';
import { keepVisitorCard, type VisitorConsent } from '../../reading';
import type { OpenedCard } from './openCard';

/** Nobody writes a name and a way to be reached in less; programs do. */
const SOONEST_MS = 3_000;
/** A form that lay open for longer is given out anew. */
const LATEST_MS = 24 * 60 * 60 * 1000;

/** A form as it was given out: what it will make, and when, signed by its page. */
export interface Form {
  token: string;
}

export type Values = Visitor & { agree: boolean };
export const EMPTY: Values = { givenName: '', familyName: '', title: '', company: '', email: '', phone: '', words: '', agree: false }; // prettier-ignore

/** What stands in the way of a form, with what was written; all is there when it is shown again. */
export interface Left {
  form: Form;
  values: Values;
  complaints: Readonly<Record<string, string>>;
  general?: string;
}

type Signing = Pick<OpenedCard, 'secret'>;

const signature = (secret: Buffer, text: string): Buffer => createHmac('sha256', secret).update(text).digest();

export const formOf = ({ secret }: Signing, now: Date, id = uuidv7()): Form => {
  const said = `${id}.${now.getTime()}`;
  return { token: `${said}.${signature(secret, said).toString('base64url')}` };
};

/** Which card a form makes, and whether it is too soon for it; undefined for one that this page did not give out, or too long ago. */
function madeBy({ secret }: Signing, token: string, now: Date): { id: string; isSoon: boolean } | undefined {
  const [id = '', at = '', proof = ''] = token.split('.');
  const given = Buffer.from(proof, 'base64url');
  const right = signature(secret, `${id}.${at}`);
  if (given.length !== right.length || !timingSafeEqual(given, right)) return undefined;
  const age = now.getTime() - Number(at);
  return age <= LATEST_MS ? { id, isSoon: age < SOONEST_MS } : undefined;
}

const line = z
  .string()
  .catch('')
  .transform((text) => writable(text).replace(/\s+/g, ' ').trim().slice(0, 200));

const Body = z.object({
  form: z.string().max(300).catch(''),
  givenName: line,
  familyName: line,
  title: line,
  company: line,
  email: line,
  phone: line,
  words: z.string().catch('').transform((text) => writable(text).replace(/\r\n?/g, '\n').trim().slice(0, 2000)), // prettier-ignore
  agree: z
    .unknown()
    .optional()
    .transform((value) => value === 'yes'),
  site: z.string().catch(''),
});

/** A form that is as it should be, or what stands in its way. */
export type ReadForm = { id: string; values: Values; consent: VisitorConsent | null } | { left: Left };

/** @param needsEmail whether a phone number alone is not enough */
export function readForm(
  card: OpenedCard,
  body: unknown,
  words: CardPageWords,
  now: Date,
  { needsEmail }: { needsEmail: boolean },
): ReadForm {
  const { form: token, site, ...values } = Body.parse(body ?? {});
  const complaints = complaintsOf(values, words, needsEmail);
  const made = site === '' ? madeBy(card, token, now) : undefined;
  // Whoever was only quick sends the same form again: its time goes on.
  const form = made ? { token } : formOf(card, now);
  if (Object.keys(complaints).length > 0) return { left: { form, values, complaints } };
  if (!made || made.isSoon) return { left: { form, values, complaints, general: words.onceMore } };
  const { id } = made;
  const { team, scope } = card;
  const wording = words.agree.replace('{team}', () => team).replace('{scope}', () => scope);
  return { id, values, consent: values.agree && scope ? { scope, wording, at: now.toISOString() } : null };
}

/** Puts what a visitor wrote into the tray. @returns what is to be written anew, where something is */
export async function leaveDetails(
  database: DataSource,
  card: OpenedCard,
  body: unknown,
  words: CardPageWords,
  now: Date,
): Promise<Left | undefined> {
  const read = readForm(card, body, words, now, { needsEmail: false });
  if ('left' in read) return read.left;
  const { id, values, consent } = read;
  const { agree: _agree, ...visitor } = values;
  const { workspaceId, accountId, country } = card;
  await inWorkspace(database, workspaceId, (manager) =>
    keepVisitorCard(manager, { id, workspaceId, accountId, visitor, consent, country }, now),
  );
  return undefined;
}

function complaintsOf({ givenName, familyName, email, phone, agree }: Values, words: CardPageWords, needsEmail: boolean): Record<string, string> {
  const emailComplaint = (): string | undefined => {
    if (email) return z.email().safeParse(email).success ? undefined : words.emailWrong;
    if (needsEmail) return words.emailWrong;
    if (agree) return words.mailForConsent;
    return /\d{4}/.test(phone.replace(/\D/g, '')) ? undefined : words.wayNeeded;
  };
  const said = emailComplaint();
  return { ...(!givenName && !familyName && { givenName: words.nameNeeded }), ...(said && { email: said }) };
} // prettier-ignore
