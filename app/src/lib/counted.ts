/** A number and what is counted: "1 person", "1,284 people". @param several where more than an s is added */
export const counted = (number: number, one: string, several = `${one}s`): string =>
  `${number.toLocaleString('en')} ${number === 1 ? one : several}`;
