import type { AddressParts } from './personFields';

type Part = Exclude<keyof AddressParts, 'country'>;

/** One line of an address: parts with what stands between them. */
type Line = readonly [first: Part, ...rest: (readonly [between: string, part: Part])[]];

const CODE_THEN_TOWN: readonly Line[] = [['street'], ['postalCode', [' ', 'locality']], ['region']];
const TOWN_THEN_CODE: readonly Line[] = [['street'], ['locality', [' ', 'region'], [' ', 'postalCode']]];

/**
 * How each country writes an address, line by line (Universal Postal Union, "Addressing in member countries", and the countries' own
 * postal services). Most of Europe writes the code before the town; countries that are not here are taken to do so.
 */
const BY_COUNTRY: Readonly<Record<string, readonly Line[]>> = {
  GB: [['street'], ['locality'], ['region'], ['postalCode']],
  IE: [['street'], ['locality'], ['region'], ['postalCode']],
  US: [['street'], ['locality', [', ', 'region'], [' ', 'postalCode']]],
  CA: TOWN_THEN_CODE,
  AU: TOWN_THEN_CODE,
  NZ: [['street'], ['region'], ['locality', [' ', 'postalCode']]],
  IN: [['street'], ['locality', [' ', 'postalCode']], ['region']],
  SG: [['street'], ['locality', [' ', 'postalCode']]],
  ZA: [['street'], ['locality'], ['region'], ['postalCode']],
  BR: [['street'], ['locality', [' - ', 'region']], ['postalCode']],
  IT: [['street'], ['postalCode', [' ', 'locality'], [' ', 'region']]],
  LV: [['street'], ['locality', [', ', 'postalCode']], ['region']],
  UA: [['street'], ['locality'], ['region'], ['postalCode']],
  HU: [['locality'], ['street'], ['postalCode'], ['region']],
  JP: [['postalCode'], ['region', [' ', 'locality']], ['street']],
  CN: [['postalCode'], ['region', [' ', 'locality']], ['street']],
};

/** A postal address line by line, in the order of its country; the country itself is left to the reader's language. */
export function addressLines({ country, ...parts }: AddressParts): string[] {
  return formatOf(country)
    .map(([first, ...rest]) =>
      rest.reduce(
        (line, [between, part]) => (line && parts[part] ? line + between + parts[part] : line || parts[part]),
        parts[first],
      ),
    )
    .filter(Boolean);
}

/** The parts of an address in the order in which its country writes them, the country last: for forms. */
export const addressOrder = (country: string): (keyof AddressParts)[] => [
  ...formatOf(country).flatMap(([first, ...rest]) => [first, ...rest.map(([, part]) => part)]),
  'country',
];

const formatOf = (country: string): readonly Line[] => {
  const format = BY_COUNTRY[country.trim().toUpperCase()] ?? CODE_THEN_TOWN;
  const missing = (['street', 'postalCode', 'locality', 'region'] as const).filter(
    (part) => !format.some(([first, ...rest]) => first === part || rest.some(([, one]) => one === part)),
  );
  return [...format, ...missing.map((part) => [part] as const)];
};
