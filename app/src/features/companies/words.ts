import { counted } from '@/lib/counted';

export const peopleWords = (people: number): string => counted(people, 'person', 'people');

export const peopleHere = (people: number): string => (people === 0 ? 'nobody there now' : peopleWords(people));
