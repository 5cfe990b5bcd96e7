export { type CountryGuess, guessCountry } from './guessCountry';
