import { titleHeads } from '../../text/tables/titleWords';

/** "Dr. med. vet." is a degree. */
const DEGREE = /(?<!\p{L})med\. ?(?:vet|dent)\./giu;

/** Whether a text holds a word that names what a person is at work. */
export const hasTitleWord = (text: string): boolean =>
  text
    .replace(DEGREE, '')
    .split(/[\s/|,·•]+/)
    .some((word) => titleHeads.has(word.replace(/[.:®™]/g, '')));
