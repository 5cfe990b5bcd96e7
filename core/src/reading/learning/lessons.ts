import { fold, foldTight } from '../../text';
import { isFreeMail, registeredDomain } from '../../text/domains';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { givenNames } from '../../text/tables/nameWords';
import { titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import type { LearnedAddress } from './learned';
import type { Reading } from '../types';

/** What a filed card teaches a workspace. `domain` is the registered one, empty for words. */
export type Lesson = { domain: string; key: string } & (
  { kind: 'company' | 'phone' | 'title'; value: string } | { kind: 'address'; value: LearnedAddress }
);

/** The parts of a filed record that can teach something. */
export interface FiledRecord {
  title: string;
  company: string;
  emails: readonly string[];
  websites: readonly string[];
  phones: readonly { value: string; kind: string }[];
  street: string;
  postalCode: string;
  locality: string;
}

const SHORTEST_WORD = 4;

/**
 * What a record that a person has proved teaches about the firm behind its domain, and which words
 * of its title were not known as words for positions.
 * @param reading of the card it was filed from: only what is printed there is a title of cards
 */
export function lessonsOf(filed: FiledRecord, reading: Reading): Lesson[] {
  const hosts = [
    ...filed.emails.map((e) => e.slice(e.indexOf('@') + 1)),
    ...filed.websites.map((w) => w.split('/')[0]!),
  ];
  const host = hosts.find((h) => h && !isFreeMail(h));
  const domain = host && registeredDomain(host);
  return [...(domain ? firmLessons(filed, domain) : []), ...titleLessons(filed.title, reading)];
}

function firmLessons(filed: FiledRecord, domain: string): Lesson[] {
  const { company, street, postalCode, locality } = filed;
  const lessons: Lesson[] = [];
  if (company) lessons.push({ kind: 'company', domain, key: company, value: company });
  for (const phone of filed.phones) {
    if (phone.kind === 'work' && phone.value.startsWith('+'))
      lessons.push({ kind: 'phone', domain, key: phone.value, value: phone.value });
  }
  if (street && postalCode && locality) {
    const key = foldTight([street, postalCode, locality].join(' '));
    lessons.push({ kind: 'address', domain, key, value: { street, postalCode, locality } });
  }
  return lessons;
}

/** New words of a printed title that has no known word for a position. */
function titleLessons(title: string, reading: Reading): Lesson[] {
  const words = title.split(/[\s,/&·|-]+/).filter((w) => w.length >= SHORTEST_WORD && /^\p{L}+$/u.test(w));
  if (words.length === 0 || words.some((w) => titleHeads.has(w))) return [];
  const printed = reading.lines.map((line) => foldTight(line.text)).join(' ');
  return words
    .filter((w) => !titleModifiers.has(w) && !titleJoiners.has(w) && !givenNames.has(w))
    .filter((w) => !departmentTopics.has(w) && !departmentHeads.has(w) && printed.includes(foldTight(w)))
    .map((w) => ({ kind: 'title', domain: '', key: fold(w), value: fold(w) }));
}
