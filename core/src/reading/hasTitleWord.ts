import { titleHeads } from './tables/titleWords';

/** Whether a text holds a word that names what a person is at work. */
export const hasTitleWord = (text: string): boolean =>
  text.split(/[\s/|,·•]+/).some((word) => titleHeads.has(word.replace(/[.:®™]/g, '')));
