/** What one person goes out as; reading files and tables stands behind a door of its own, with what it brings along. */
export * from './vcard/toVcard';
export { countryCode } from './countryCode';
