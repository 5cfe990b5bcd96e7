/** Templates, tasks, incoming mail and the calendar feed have doors of their own: each screen takes what it needs. */
export { dayOf, isQuiet, nextAwake, type Calendar, type Wait } from './calendar';
export { domainOf, maySend, type Channel, type Purpose, type Refusal, type Sending, type Standing, type Verdict } from './maySend'; // prettier-ignore
export * from './plan';
export * from './planner';
