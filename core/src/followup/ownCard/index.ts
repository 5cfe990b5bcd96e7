export { CARD_PAGE_WORDS, type CardPageWords } from './pageWords';
export { ASKED_FOR_DETAILS, sendCardWords, textCardWords, type CardToSend } from './sendWords';
