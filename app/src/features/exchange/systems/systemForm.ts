import { DestinationFields, type Destination, type DestinationAuth } from '@dossier/contract';
import { EMPTY_PLAIN_SYSTEM, plainOf, setUpOf, type PlainSystem } from '@dossier/core/exchange/handOver';

type To = DestinationFields['to'];
type Kind = To['kind'];
type Auth = DestinationAuth['kind'];

/** A system as its form has it: all that may be asked, whatever kind it is of. */
export interface SystemForm {
  name: string;
  kind: Kind;
  base: string;
  auth: Auth;
  header: string;
  user: string;
  client: string;
  tokenPath: string;
  scope: string;
  secret: string;
  plain: PlainSystem;
  /** Lines of `plain`'s ways to find, as they are written. */
  find: Record<keyof typeof NOTHING_FOUND, string>;
  folder: string;
  format: 'vcard' | 'csv';
  when: DestinationFields['when'];
  occasions: DestinationFields['occasions'];
  perMinute: string;
}

const NOTHING_FOUND = { lead: '', contact: '', company: '', note: '', task: '', picture: '', opportunity: '' };
const KINDS = Object.keys(NOTHING_FOUND) as (keyof typeof NOTHING_FOUND)[];

export const EMPTY_FORM: SystemForm = {
  name: '',
  kind: 'system',
  base: '',
  auth: 'bearer',
  header: '',
  user: '',
  client: '',
  tokenPath: '/oauth/token',
  scope: '',
  secret: '',
  plain: EMPTY_PLAIN_SYSTEM,
  find: NOTHING_FOUND,
  folder: '',
  format: 'vcard',
  when: 'byHand',
  occasions: [],
  perMinute: '120',
};

/** What is set up, as a form; `isShown` says whether all of how it is reached can be seen there. */
export function formOf({ name, to, when, occasions, perMinute }: Destination): { form: SystemForm; isShown: boolean } {
  const form: SystemForm = { ...EMPTY_FORM, name, kind: to.kind, when, occasions, perMinute: String(perMinute) };
  if (to.kind === 'folder') return { form: { ...form, folder: to.folder, format: to.format }, isShown: true };
  if (to.kind === 'addressBook') return { form: { ...form, base: to.base, user: to.user }, isShown: true };
  const plain = plainOf(to);
  const { kind: auth, ...shown } = to.auth;
  const find = plain ? byKind((kind) => linesOf(plain[kind].find)) : form.find;
  return { form: { ...form, base: to.base, auth, ...shown, ...(plain && { plain }), find }, isShown: plain !== null };
}

const byKind = <T>(make: (kind: keyof typeof NOTHING_FOUND) => T): Record<keyof typeof NOTHING_FOUND, T> =>
  Object.fromEntries(KINDS.map((kind) => [kind, make(kind)])) as Record<keyof typeof NOTHING_FOUND, T>;
const linesOf = (all: readonly string[]): string => all.join('\n');
const linesIn = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

function authOf({ auth, header, user, client, tokenPath, scope }: SystemForm): DestinationAuth {
  switch (auth) {
    case 'header':
      return { kind: auth, header };
    case 'basic':
      return { kind: auth, user };
    case 'oauth':
      return { kind: auth, client, tokenPath, scope };
    default:
      return { kind: auth };
  }
}

function toOf(form: SystemForm, before: To | undefined): To {
  if (form.kind === 'folder') return { kind: 'folder', folder: form.folder, format: form.format };
  if (form.kind === 'addressBook') return { kind: 'addressBook', base: form.base, user: form.user };
  const { plain, find } = form;
  // What no form shows stays as a program has set it up.
  const kept = before?.kind === 'system' && !plainOf(before) ? before : undefined;
  const found = byKind((kind) => ({ ...plain[kind], find: linesIn(find[kind]) })) as Partial<PlainSystem>;
  const asked = kept ?? setUpOf({ ...plain, ...found });
  return { kind: 'system', base: form.base, auth: authOf(form), objects: asked.objects, describe: asked.describe };
}

/** What the form says, or what is wrong with it: a fault for each of its fields. */
export function fieldsIn(
  form: SystemForm,
  { to: before, paused = false }: Partial<Pick<Destination, 'to' | 'paused'>> = {},
): { fields: DestinationFields } | { faults: Record<string, string> } {
  const { name, secret, when, occasions, perMinute } = form;
  const asked = { name, to: toOf(form, before), when, occasions, perMinute: Number(perMinute), paused, ...(secret && { secret }) }; // prettier-ignore
  const parsed = DestinationFields.safeParse(asked);
  if (parsed.success) return { fields: parsed.data };
  const faults: Record<string, string> = {};
  for (const { path, message } of parsed.error.issues) faults[fieldOf(path.map(String))] ??= message;
  return { faults };
}

const ANSWERS: Readonly<Record<string, string>> = {
  'found.at': 'foundAt',
  'found.refAt': 'foundRefAt',
  'found.linkAt': 'foundLinkAt',
  'found.valuesAt': 'foundValuesAt',
  onceHeader: 'onceHeader',
  bodyAt: 'bodyAt',
  refAt: 'refAt',
  linkAt: 'linkAt',
};

/** Where in the form a fault of what is sent stands. */
export function fieldOf(path: readonly string[]): string {
  const [first, second, kind, ...rest] = path;
  if (first !== 'to') return first ?? '';
  if (second === 'auth') return rest[0] ?? kind ?? 'auth';
  if (second === 'describe') return `plain.describe.${kind ?? 'path'}`;
  if (second !== 'objects' || !kind) return second ?? 'kind';
  const place = rest.join('.');
  if (ANSWERS[place]) return `plain.answers.${ANSWERS[place]}`;
  if (rest[0] === 'find') return `find.${kind}`;
  if (rest[0] === 'create' || rest[0] === 'update') return `plain.${kind}.path`;
  return `plain.${kind}.${rest[0] ?? 'path'}`;
}

/** What a system is set up as, with some of it changed; its secret stays. */
export const fieldsOf = (
  { name, to, when, occasions, perMinute, paused }: Destination,
  change: Partial<Destination> = {},
) => ({ name, to, when, occasions, perMinute, paused, ...change });
