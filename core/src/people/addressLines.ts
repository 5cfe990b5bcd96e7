import type { AddressParts } from './personFields';

/** Countries that write the postal code behind the town (Universal Postal Union, addressing systems). */
const CODE_BEHIND = new Set(['GB', 'IE', 'US', 'CA', 'AU', 'NZ', 'BR']);

/** A postal address line by line, in the order of its country; the country itself is left to the reader's language. */
export function addressLines({ street, postalCode, locality, region, country }: AddressParts): string[] {
  const town = CODE_BEHIND.has(country) ? [locality, region, postalCode] : [postalCode, locality, region];
  return [street, town.filter(Boolean).join(' ')].filter(Boolean);
}
