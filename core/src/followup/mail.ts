export * from './incomingMail';
export { withoutQuoted } from './withoutQuoted';
