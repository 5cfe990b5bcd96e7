/** Countries whose numbers and addresses are read. */
export const COUNTRIES = 'GB IE US CA AU DE AT CH FR BE NL ES PT IT SE DK NO FI PL BR'.split(' ');

const nameOf = (type: 'region' | 'language', code: string): string =>
  new Intl.DisplayNames(['en'], { type }).of(code) ?? code;

export const countryName = (code: string): string => nameOf('region', code);
export const languageName = (code: string): string => nameOf('language', code);
