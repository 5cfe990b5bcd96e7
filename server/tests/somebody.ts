import type { PersonFields } from '@dossier/contract';
import { personFields } from './client';

const GIVEN = 'Ysolde Corwin Tamsin Leopold Marguerite Oswin Philippa Gunnar Beatrice Dmitri Winifred Ignacio'.split(
  ' ',
);
const FAMILY =
  'Quillhampton Braithwell Ostlund Vandermolen Fitzwarren Szymczak Haldorsen Montclair Underhay Pruszkowski Eglantine Zimmerlin Jarvholm Castellane Wetherspar Ruyterkade Nyqvist Thornbeck Ixworth Llanfair Gudmundsen Abercastle Yarrowby Delacroix Mapplebeck Kristeller Saltonstall Oxenholme Dunmarrow Faircliff Bexhollow Wickenstow Trevannick Pendlebarrow'.split(
    ' ',
  );
const TITLES = ['Buyer', 'Plant manager', 'Dispatcher', 'Head of quality', 'Owner'];

/** Where the numbers of each file's people begin: they share family names, and nothing else. */
const FIRST = { matching: 0, merging: 100, records: 200 } as const;

export const mobile = (value: string) => ({ value, kind: 'mobile' as const, extension: '' });

/**
 * Made-up people that no other test knows, and that have nothing in common with each other.
 * @param file whose people these are: the tests of all files work on one database, and each draws its own
 */
export function drawnPeople(file: keyof typeof FIRST): (fields?: Partial<PersonFields>) => PersonFields {
  const first = FIRST[file];
  let number: number = first;
  return (fields = {}) => {
    const familyName = FAMILY[number - first]!;
    const domain = `${familyName.toLowerCase()}-${TITLES.length * 7 + number}.example`;
    const made = personFields({
      givenName: GIVEN[((number - first) * 5 + first / 100) % GIVEN.length],
      familyName,
      title: TITLES[number % TITLES.length],
      company: `${['Brine', 'Kestrel', 'Juniper', 'Halyard', 'Osprey', 'Copperleaf', 'Windrush'][number % 7]}${number} ${['Packers', 'Creamery', 'Fisheries'][number % 3]}`,
      emails: [`post.${number}@${domain}`],
      phones: [mobile(`+4477009${String((number * 7919) % 100_000).padStart(5, '0')}`)],
      postalCode: `TM${number} ${number % 9}AA`,
      ...fields,
    });
    number++;
    if (number - first > FAMILY.length) throw new Error('There are not enough made-up people for these tests.');
    return made;
  };
}
