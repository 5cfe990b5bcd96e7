import { isIP } from 'node:net';
import { isPrivate, mayBeWithin, PRIVATE, type Allowed } from './outside';
import { ProblemError } from './problem';

/**
 * What can be told of an address beforehand; names are looked up when something is sent.
 * @param path of the field it stands in @throws ProblemError 422 for one of this machine or its network that is not allowed
 */
export function refusePrivate(address: string, allowed: Allowed, path: string): void {
  const url = new URL(address);
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (mayBeWithin(allowed, url) || (host !== 'localhost' && (!isIP(host) || !isPrivate(host)))) return;
  throw new ProblemError(422, 'private-address', 'Not told', PRIVATE, [{ path, message: PRIVATE }]);
}
