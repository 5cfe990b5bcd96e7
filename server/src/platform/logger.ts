import pino, { type Logger } from 'pino';
import { codeOf, isOfDatabase } from './databaseTrouble';

/**
 * What is written down of an error. One of the database is told by its code, the statement's name and where it happened: its words,
 * details and parameters can be anybody's personal data, and whole pictures.
 */
export function loggedError(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const { query, driverError, table, constraint, routine } = error as {
    query?: unknown;
    driverError?: { table?: string; constraint?: string; routine?: string };
    table?: string;
    constraint?: string;
    routine?: string;
  } & Error;
  if (!isOfDatabase(error))
    return { type: error.name, code: codeOf(error), message: error.message, stack: error.stack };
  return {
    type: error.name,
    code: codeOf(error),
    statement: typeof query === 'string' ? statementName(query) : undefined,
    table: driverError?.table ?? table,
    constraint: driverError?.constraint ?? constraint,
    routine: driverError?.routine ?? routine,
    stack: placesOf(error),
  };
}

/** The first words of a statement, without any value: "insert into card". */
function statementName(sql: string): string {
  const words = sql.replace(/["`]/g, '').trim().split(/\s+/);
  const verb = words[0]?.toLowerCase() ?? '';
  const table = /\b(?:into|from|update|table)\s+([a-z_.]+)/i.exec(sql.replace(/["`]/g, ''))?.[1];
  return [/^[a-z]+$/.test(verb) ? verb : 'statement', table].filter(Boolean).join(' ');
}

/** Where it happened: a stack begins with the message. */
const placesOf = ({ stack }: Error): string | undefined =>
  stack
    ?.split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n');

export const createLogger = (level: string, name: string, destination?: pino.DestinationStream): Logger =>
  pino(
    { level, name, redact: ['req.headers.cookie', 'password'], serializers: { err: loggedError } },
    destination ?? pino.destination(1),
  );
export type { Logger };
