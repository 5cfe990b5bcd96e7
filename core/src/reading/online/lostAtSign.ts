import type { FoundAddress } from './findEmails';
import type { Online } from './reconcileAddresses';
import { isMadeOf } from '../names';
import type { ReadLine } from '../types';

/** What the sign of an e-mail address is read as when it is not seen for what it is. */
const LIKE_AT = '[a@©®&QOe68bpgq09]';
const SIGN_APART = new RegExp(`(?<local>[\\p{L}\\d][\\p{L}\\d._-]+) ${LIKE_AT} $`, 'u');
const SIGN_WITHIN = new RegExp(`^(?<local>[a-z\\d][a-z\\d._-]+)${LIKE_AT}$`, 'i');

/**
 * Web addresses that are e-mail addresses whose sign was lost: "janessa.turner a stavver.example", or
 * "mlundgrenbyarvane.se" beside www.yarvane.se. The name must account for every letter before the sign.
 * @param domains those that are printed on the card
 */
export function takeLostAtSigns(
  { emails, websites }: Online,
  domains: readonly string[],
  name: string,
  lines: readonly ReadLine[],
): Online {
  const read = websites.map((site) => ({ site, email: emailIn(site, domains, name, lines) }));
  return {
    emails: [...emails, ...read.flatMap(({ email }) => email ?? [])],
    websites: read.filter(({ email }) => !email).map(({ site }) => site),
  };
}

function emailIn(
  site: FoundAddress,
  domains: readonly string[],
  name: string,
  lines: readonly ReadLine[],
): FoundAddress | undefined {
  const found = apart(site, lines) ?? within(site, domains);
  if (!found || !isMadeOf(name, found.local)) return undefined;
  const value = `${found.local.toLowerCase()}@${found.domain}`;
  const source = { ...site.source, from: found.from };
  const raw = lines[source.line]!.text.slice(source.from, source.to);
  return { value, domain: found.domain, repaired: true, raw, source };
}

interface Parts {
  local: string;
  domain: string;
  from: number;
}

function apart({ domain, source }: FoundAddress, lines: readonly ReadLine[]): Parts | undefined {
  const match = SIGN_APART.exec(lines[source.line]!.text.slice(0, source.from));
  return match ? { local: match.groups!.local!, domain, from: match.index } : undefined;
}

function within({ domain, source }: FoundAddress, domains: readonly string[]): Parts | undefined {
  const known = domains.find((other) => domain.length > other.length && domain.endsWith(other));
  const match = known && SIGN_WITHIN.exec(domain.slice(0, -known.length));
  return match ? { local: match.groups!.local!, domain: known, from: source.from } : undefined;
}
