/** Firms and people as this directory has them, in its own words. All of them are made up. */
export interface House {
  key: string;
  name: string;
  sites: string[];
  trade: string;
  heads: string;
  since: string;
  line: string;
  seat: string;
  elsewhere: string[];
}
export interface Face {
  key: string;
  name: string;
  house: string;
  mails: string[];
  role: string;
  lines: string[];
  elsewhere: string[];
  /** Whether there is a portrait. */
  hasFace: boolean;
}

const house = (key: string, name: string, trade: string, heads: string, since: string, line: string, seat: string): House => ({ key, name, sites: [`${key}.example`], trade, heads, since, line, seat, elsewhere: [`https://www.${key}.example/about`] }); // prettier-ignore
const face = (key: string, name: string, firm: string, mail: string, role: string, lines: string[] = [], hasFace = true): Face => ({ key, name, house: firm, mails: [mail], role, lines, elsewhere: [`https://people.harbourlist.example/${key}`], hasFace }); // prettier-ignore

export const HOUSES: readonly House[] = [
  house('harrowfield', 'Harrowfield Creamery', 'Dairy', '50 to 99', '1921', '+44 1632 960116', 'The Old Churn House, 9 Quay Road, Port Ellery PE4 7QX'),
  house('skerryfish', 'Skerry Fish Auctions Ltd', 'Fish auctions', '20 to 49', '1987', '+44 1632 960200', '2 Harbour Steps, Port Ellery PE4 1AB'),
  house('bramblehill', 'Bramble Hill Fruit', 'Fruit packing', '100 to 249', '1974', '+44 1632 960331', 'Unit 4, Orchard Way, Tarnmoor TN9 3LD'),
  house('ashgrovedaughters', 'Ashgrove & Daughters', 'Bakery', '10 to 19', '2004', '+44 1632 960441', '14 Mill Lane, Tarnmoor'),
  house('peckandbushel', 'Peck & Bushel', 'Fruit wholesale', '20 to 49', '1998', '+44 1632 960451', 'Market Hall, Tarnmoor'),
  // Close to one of the above by name, and another firm.
  house('skerry-marine', 'Skerry Marine Insurance GmbH', 'Insurance', '5 to 9', '2011', '+49 40 66969 120', 'Kai 3, Hamburg'),
]; // prettier-ignore

export const FACES: readonly Face[] = [
  face('nella-harrowfield', 'Nella Harrowfield-Voss', 'Harrowfield Creamery', 'nella@harrowfield.example', 'Director of Cold Chain', ['+44 7700 900651', '+44 1632 960116']),
  face('tobias-skerritt', 'Tobias Skerritt', 'Skerry Fish Auctions Ltd', 't.skerritt@skerryfish.example', 'Head of Auctions', ['+44 1632 960205']),
  face('adaeze-okonjo', 'Adaeze Okonjo', 'Bramble Hill Fruit', 'adaeze.okonjo@bramblehill.example', 'Packhouse Manager', ['+44 1632 960332']),
  face('callum-ashgrove', 'Callum Ashgrove', 'Ashgrove & Daughters', 'callum@ashgrovedaughters.example', 'Managing Baker', [], false),
  // The same name elsewhere: nobody here.
  face('tobias-skerritt-2', 'Tobias Skerritt', 'Skerry Marine Insurance GmbH', 'tobias@skerry-marine.example', 'Underwriter'),
]; // prettier-ignore
