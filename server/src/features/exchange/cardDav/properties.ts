import {
  CARD,
  childOf,
  childrenOf,
  DAV,
  element,
  escapeXml,
  hrefXml,
  nameOf,
  SERVER,
  type PropertyName,
  type XmlElement,
} from './davXml';

export const ROOT = '/dav/';
export const PRINCIPAL = '/dav/people/me/';
export const HOME = '/dav/books/';
export const pathOfBook = (key: string): string => `${HOME}${encodeURIComponent(key)}/`;
export const pathOfCard = (key: string, name: string): string => pathOfBook(key) + encodeURIComponent(name);

/** No card that a device may write is larger. */
export const MOST_CARD_BYTES = 1_000_000;

export type Resource =
  | { kind: 'root' | 'principal' | 'home' }
  | { kind: 'book'; key: string; title: string; token?: string; mayWrite: boolean }
  | { kind: 'card'; mark: string; card?: string };

const d = (name: string, inner = '') => element({ namespace: DAV, name }, inner);
const c = (name: string, inner = '') => element({ namespace: CARD, name }, inner);
const REPORTS = [d('sync-collection'), c('addressbook-multiget'), c('addressbook-query')];
const PRIVILEGES = ['read', 'read-current-user-privilege-set'];
const WRITING = ['write', 'write-content', 'bind', 'unbind'];

/** What a resource says of a property, as XML within it; undefined where it has none. */
const VALUES: Readonly<Record<string, (resource: Resource) => string | undefined>> = {
  [`${DAV}resourcetype`]: ({ kind }) => {
    if (kind === 'card') return '';
    if (kind === 'principal') return d('collection') + d('principal');
    return d('collection') + (kind === 'book' ? c('addressbook') : '');
  },
  [`${DAV}displayname`]: (one) => (one.kind === 'book' ? escapeXml(one.title) : one.kind === 'card' ? undefined : 'Dossier'), // prettier-ignore
  [`${DAV}current-user-principal`]: () => hrefXml(PRINCIPAL),
  [`${DAV}principal-URL`]: ({ kind }) => (kind === 'principal' ? hrefXml(PRINCIPAL) : undefined),
  [`${DAV}owner`]: () => hrefXml(PRINCIPAL),
  [`${CARD}addressbook-home-set`]: ({ kind }) => (kind === 'card' || kind === 'book' ? undefined : hrefXml(HOME)),
  [`${DAV}current-user-privilege-set`]: (one) =>
    [...PRIVILEGES, ...(one.kind !== 'book' || one.mayWrite ? WRITING : [])].map((name) => d('privilege', d(name))).join(''),
  [`${DAV}supported-report-set`]: ({ kind }) =>
    kind === 'book' ? REPORTS.map((report) => d('supported-report', d('report', report))).join('') : undefined,
  [`${CARD}supported-address-data`]: ({ kind }) =>
    kind === 'book' ? '<C:address-data-type content-type="text/vcard" version="3.0"/>' : undefined,
  [`${CARD}max-resource-size`]: ({ kind }) => (kind === 'book' ? String(MOST_CARD_BYTES) : undefined),
  [`${DAV}sync-token`]: (one) => (one.kind === 'book' ? one.token : undefined),
  [`${SERVER}getctag`]: (one) => (one.kind === 'book' ? one.token : undefined),
  [`${DAV}getetag`]: (one) => (one.kind === 'card' ? `"${one.mark}"` : undefined),
  [`${DAV}getcontenttype`]: ({ kind }) => (kind === 'card' ? 'text/vcard; charset=utf-8' : undefined),
  [`${CARD}address-data`]: (one) => (one.kind === 'card' && one.card !== undefined ? escapeXml(one.card) : undefined),
}; // prettier-ignore

const USUAL: readonly PropertyName[] = ['resourcetype', 'displayname', 'getetag', 'getcontenttype', 'sync-token'].map((name) => ({ namespace: DAV, name })); // prettier-ignore

/** Which properties a request asks for; the usual ones where it asks for all. */
export function askedFor(root: XmlElement | undefined): readonly PropertyName[] {
  const prop = childOf(root, DAV, 'prop');
  return prop ? childrenOf(prop).map(nameOf) : USUAL;
}

export const asksForCards = (asked: readonly PropertyName[]): boolean => asked.some(({ namespace, name }) => namespace === CARD && name === 'address-data'); // prettier-ignore

/** Those that a resource has, as elements, and those that it has not. */
export function told(resource: Resource, asked: readonly PropertyName[]): { there: string[]; missing: PropertyName[] } {
  const there: string[] = [];
  const missing: PropertyName[] = [];
  for (const name of asked) {
    const value = VALUES[name.namespace + name.name]?.(resource);
    if (value === undefined) missing.push(name);
    else there.push(element(name, value));
  }
  return { there, missing };
}
