export { GREETINGS, MESSAGE_LANGUAGES } from './greetings';
export { greet } from './greet';
export { languageOfCountry } from './languageOf';
export * from './placeholders';
export * from './template';
export { WITHDRAW_PAGE_WORDS, type WithdrawPageWords } from './withdrawPageWords';
export { withdrawWords } from './withdrawWords';
