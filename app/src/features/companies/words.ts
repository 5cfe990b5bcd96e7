export const peopleWords = (people: number): string =>
  people === 1 ? '1 person' : `${people.toLocaleString('en')} people`;

export const peopleHere = (people: number): string => (people === 0 ? 'nobody there now' : peopleWords(people));
