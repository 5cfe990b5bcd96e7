import type { AddressParts } from '../people';

/** A web address as it is filed: without what every address begins with. */
export const siteOf = (url: string): string => url.replace(/^https?:\/\//i, '').replace(/\/$/, '');

export const addressOnOneLine = ({ street, postalCode, locality, region, country }: AddressParts): string =>
  [street, [postalCode, locality].filter(Boolean).join(' '), region, country].filter(Boolean).join(', ');
