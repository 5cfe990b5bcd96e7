import { isAllCaps, naturalName } from '../text/naturalCase';
import { GREETINGS } from './greetings';

interface Named {
  prefix: string;
  givenName: string;
  familyName: string;
}

/** Degrees and offices are kept in an address; how somebody was called on a card ("Mr", "Frau") says too little in another language. */
const KEPT_TITLE = /^(?:dr|prof|rev|ing|dipl|mag)\b/i;

/**
 * How a message to somebody begins: "Dear Tobias Skerritt,". Without a given name only a title makes it safe to use the family name;
 * without both nobody is named.
 * @param language ISO 639-1; English where it has no greeting here
 */
export function greet(language: string, { prefix, givenName, familyName }: Named): string {
  const { named, titled, anybody } = GREETINGS[language] ?? GREETINGS.en!;
  const [given, family] = [natural(givenName), natural(familyName)];
  const title = prefix.trim();
  if (family && KEPT_TITLE.test(title)) return titled.replace('{title}', title).replace('{family}', family);
  if (!given || isInitials(given)) return anybody;
  return named.replace('{name}', `${given} ${family}`.trim());
}

const natural = (name: string): string => (isAllCaps(name) ? naturalName(name) : name).trim();
const isInitials = (name: string): boolean => name.split(/[\s-]+/).every((part) => /^\p{L}\.?$/u.test(part));
