import { BINARY, LIBRARY } from './codeParts';

/** Fetches what reads codes, so that it is there where there is no network: the service worker keeps it. */
export async function keepCodeReader(): Promise<void> {
  await Promise.all([LIBRARY, BINARY].map((part) => fetch(part).catch(() => undefined)));
}
