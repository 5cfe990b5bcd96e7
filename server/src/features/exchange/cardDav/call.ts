import type { Request, Response } from 'express';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { errorXml } from './davXml';

export const METHODS = 'OPTIONS, PROPFIND, REPORT, GET, HEAD, PUT, DELETE';

/** Whoever asks, and what their device may do. */
export interface Device extends SignedIn {
  mayWrite: boolean;
  mayDelete: boolean;
}

export type Place = { kind: 'root' | 'principal' | 'home' } | { kind: 'book'; key: string } | { kind: 'card'; key: string; name: string }; // prettier-ignore

/** @param path behind `/dav` */
export function placeOf(path: string): Place | undefined {
  if (/^\/?$/.test(path)) return { kind: 'root' };
  if (/^\/people\/me\/?$/.test(path)) return { kind: 'principal' };
  if (/^\/books\/?$/.test(path)) return { kind: 'home' };
  const [, key, name] = /^\/books\/([^/]+)(?:\/([^/]*))?$/.exec(path) ?? [];
  try {
    if (!key) return undefined;
    return name ? { kind: 'card', key: decodeURIComponent(key), name: decodeURIComponent(name) } : { kind: 'book', key: decodeURIComponent(key) }; // prettier-ignore
  } catch {
    return undefined;
  }
}

export interface Call {
  database: DataSource;
  request: Request;
  response: Response;
  device: Device;
  at: Place;
}

export const bodyOf = ({ body }: Request): string => (typeof body === 'string' ? body : '');
export const refuse = (response: Response, status: number, inner: string): void => void response.status(status).type('application/xml').send(errorXml(inner)); // prettier-ignore
