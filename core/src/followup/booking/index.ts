export { busyTimes, NotACalendar } from './busyTimes';
export { freeTimes, firstFree, isFree, type BookingRules, type Interval, type Span } from './freeTimes';
export { invitation, type Invitation } from './invitation';
export { BOOKING_PAGE_WORDS, BOOKING_MAIL_WORDS, type BookingPageWords } from './words';
