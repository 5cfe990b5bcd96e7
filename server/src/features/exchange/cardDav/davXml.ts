import { DOMParser } from '@xmldom/xmldom';

export const DAV = 'DAV:';
export const CARD = 'urn:ietf:params:xml:ns:carddav';
export const SERVER = 'http://calendarserver.org/ns/';
const PREFIXES: Readonly<Record<string, string>> = { [DAV]: 'D', [CARD]: 'C', [SERVER]: 'S' };

export const escapeXml = (text: string): string =>
  text
    // eslint-disable-next-line no-control-regex -- what no XML has (XML 1.0, 2.2)
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"\r]/g, (one) => `&#${one.charCodeAt(0)};`);

/** As much of an element (DOM level 2) as is asked here. */
export interface XmlElement {
  readonly nodeType: number;
  readonly namespaceURI: string | null;
  readonly localName: string | null;
  readonly textContent: string | null;
  readonly childNodes: ArrayLike<unknown>;
  getAttribute(name: string): string | null;
}

/** The name of a property, with its namespace. */
export interface PropertyName {
  namespace: string;
  name: string;
}

/** A document of one element; undefined for what is none. Nothing outside of it is fetched or put in. */
export function parseXml(text: string): XmlElement | undefined {
  if (/<!(?:DOCTYPE|ENTITY)/i.test(text)) return undefined;
  let isWrong = false;
  const stop = () => void (isWrong = true);
  try {
    const document = new DOMParser({ errorHandler: { warning: () => undefined, error: stop, fatalError: stop } }).parseFromString(text, 'text/xml'); // prettier-ignore
    return isWrong ? undefined : ((document.documentElement as XmlElement | null) ?? undefined);
  } catch {
    return undefined;
  }
}

export const childrenOf = (element: XmlElement | undefined): XmlElement[] => Array.from({ length: element?.childNodes.length ?? 0 }, (_, i) => element!.childNodes[i] as XmlElement).filter(({ nodeType }) => nodeType === 1); // prettier-ignore

export const childOf = (element: XmlElement | undefined, namespace: string, name: string): XmlElement | undefined =>
  childrenOf(element).find((one) => one.namespaceURI === namespace && one.localName === name);

export const nameOf = ({ namespaceURI, localName }: XmlElement): PropertyName => ({ namespace: namespaceURI ?? '', name: localName ?? '' }); // prettier-ignore

/** An empty element of that name. */
function emptyElement({ namespace, name }: PropertyName): string {
  const prefix = PREFIXES[namespace];
  return prefix ? `<${prefix}:${name}/>` : `<x:${name} xmlns:x="${escapeXml(namespace)}"/>`;
}

export const element = ({ namespace, name }: PropertyName, inner: string): string => {
  const prefix = PREFIXES[namespace] ?? 'D';
  return inner === '' ? `<${prefix}:${name}/>` : `<${prefix}:${name}>${inner}</${prefix}:${name}>`;
};

export const MULTISTATUS_HEAD = `<?xml version="1.0" encoding="utf-8"?>\n<D:multistatus xmlns:D="DAV:" xmlns:C="${CARD}" xmlns:S="${SERVER}">`;
export const MULTISTATUS_TAIL = '</D:multistatus>';

export const hrefXml = (path: string): string => `<D:href>${escapeXml(path)}</D:href>`;

/** What one resource has of the properties that are asked for, and which it has not (RFC 4918, 14.24). */
export function responseXml(path: string, there: readonly string[], missing: readonly PropertyName[]): string {
  const part = (inner: string, status: string) => inner && `<D:propstat><D:prop>${inner}</D:prop><D:status>HTTP/1.1 ${status}</D:status></D:propstat>`; // prettier-ignore
  const found = part(there.join(''), '200 OK');
  const not = part(missing.map(emptyElement).join(''), '404 Not Found');
  return `<D:response>${hrefXml(path)}${found || not ? found + not : part('<D:resourcetype/>', '200 OK')}</D:response>`;
}

/** A resource that is not there (any more). */
export const goneXml = (path: string): string => `<D:response>${hrefXml(path)}<D:status>HTTP/1.1 404 Not Found</D:status></D:response>`; // prettier-ignore

export const errorXml = (inner: string): string =>
  `<?xml version="1.0" encoding="utf-8"?>\n<D:error xmlns:D="DAV:" xmlns:C="${CARD}">${inner}</D:error>`;
