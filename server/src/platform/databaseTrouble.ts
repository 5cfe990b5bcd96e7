import { QueryFailedError, TypeORMError } from 'typeorm';

/**
 * What is wrong when PostgreSQL, and not the request, is the cause: `away` it cannot be reached, is starting, ending or has no
 * connection left; `full` it has no room; `busy` two transactions stood in each other's way and one was given up.
 */
export type DatabaseTrouble = 'away' | 'full' | 'busy';

/** By SQLSTATE (PostgreSQL manual, appendix A) or the system's own code. */
const BY_CODE: Readonly<Record<string, DatabaseTrouble>> = {
  '53100': 'full',
  '53200': 'full',
  '58030': 'full',
  '53300': 'away',
  '57P01': 'away',
  '57P02': 'away',
  '57P03': 'away',
  '25006': 'away',
  '40001': 'busy',
  '40P01': 'busy',
  '55P03': 'busy',
  ECONNREFUSED: 'away',
  ECONNRESET: 'away',
  EPIPE: 'away',
  ETIMEDOUT: 'away',
  ENOTFOUND: 'away',
  EAI_AGAIN: 'away',
};

/** What the driver says when a connection went while it was used; it has no codes for these. */
const WORDS = /^(?:Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect|Driver not Connected|Client was closed)/; // prettier-ignore

export const codeOf = (error: unknown): string | undefined => {
  const { code, driverError } = (error ?? {}) as { code?: unknown; driverError?: { code?: unknown } };
  return [code, driverError?.code].find((one): one is string => typeof one === 'string');
};

export function databaseTrouble(error: unknown): DatabaseTrouble | undefined {
  if (!(error instanceof Error)) return undefined;
  const code = codeOf(error) ?? '';
  return (
    BY_CODE[code] ??
    (code.startsWith('08') || WORDS.test(error.message) || (error.cause && databaseTrouble(error.cause) === 'away')
      ? 'away'
      : undefined)
  );
}

/**
 * What comes of another transaction at the same time: two waited for each other, what one points at (a record that is merged, erased) went
 * while it was written down, or what may be there once came from both. Whoever begins again meets what is there by then.
 */
const OF_ANOTHER = ['40001', '40P01', '23503', '23505'];

/** Whether a transaction was undone because of another one at the same time, and can be done again. */
export const wasGivenUp = (error: unknown): boolean => OF_ANOTHER.includes(codeOf(error) ?? '');

/** Whether an error came from the database, whose words may hold what was to be written. */
export const isOfDatabase = (error: unknown): boolean =>
  error instanceof QueryFailedError ||
  error instanceof TypeORMError ||
  /^[0-9A-Z]{5}$/.test(codeOf(error) ?? '') ||
  'severity' in ((error ?? {}) as object);
