import type { Features } from './features';
import { readShape } from './likeness';
import { soundKey } from './soundKey';
import { fullForms } from './tables/shortForms';

/**
 * Keys of which two records of one person have at least one in common, whatever single thing about one of them is wrong, missing
 * or new. Records without a common key are not compared. The first letter tells the kind.
 */
export function blockKeys(features: Features): string[] {
  const { name, firms, mailboxes, offices, phones, postalCode } = features;
  const keys = new Set<string>();
  for (const mailbox of mailboxes) keys.add(`e${mailbox}`);
  for (const phone of phones) keys.add(`p${phone}`);
  for (const mailbox of mailboxes) {
    const local = mailbox.slice(0, mailbox.indexOf('@')).replace(/[^a-z]/g, '');
    // "anna@" is anybody's.
    if (local.length > 4 && !name.given.includes(local)) keys.add(`l${local}`);
  }
  const { familyWhole } = name;
  const first = name.givenParts.find((word) => word.length > 1);
  // As many as a name may be short for: "Bob" meets "Robert", and "Rob" meets both.
  const givens = first ? [first, ...fullForms(first)].slice(0, 7) : [];
  const sound = soundKey(familyWhole);
  if (sound) {
    for (const given of givens) {
      const givenSound = soundKey(given);
      // In alphabetical order, so that a name in the wrong columns has the same key.
      keys.add(`n${[sound, givenSound].sort().join(' ')}`);
    }
    if (name.family.length > 1 && first)
      for (const word of name.family) if (word.length > 2) keys.add(`f${word} ${first[0]}`);
    for (const word of name.givenParts.slice(1)) if (word.length > 1) keys.add(`f${familyWhole} ${word[0]}`);
    const initial = name.given[0]?.[0];
    if (initial) keys.add(`i${readShape(familyWhole)} ${initial}`);
    const half = familyWhole.length > 7 ? 4 : 3;
    for (const given of givens) {
      keys.add(`b${given} ${familyWhole.slice(0, half)}`);
      keys.add(`z${given} ${familyWhole.slice(-half)}`);
    }
  }
  const places = [...firms, ...offices, ...(postalCode ? [`#${postalCode}`] : [])];
  for (const place of places) {
    if (sound) keys.add(`s${place} ${sound}`);
    for (const word of name.family) if (word.length > 2) keys.add(`t${place} ${word.slice(0, 3)}`);
    // The family name too: it may stand in the given name's place.
    for (const word of [...givens.slice(0, 2), name.familyLast]) if (word) keys.add(`g${place} ${word}`);
  }
  return [...keys];
}

/** Whether a key is an address or a number, and not a piece of a name or place. */
export const isContactPointKey = (key: string): boolean => key.startsWith('e') || key.startsWith('p');
