import type { Problem } from '@dossier/contract';
import type { ErrorRequestHandler } from 'express';
import { ZodError } from 'zod';
import { codeOf, databaseTrouble, type DatabaseTrouble } from './databaseTrouble';
import type { Logger } from './logger';

/** An error with an answer for the person at the screen (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    readonly detail: string,
    readonly errors?: Problem['errors'],
    /** Seconds after which it may go well. */
    readonly retryAfter?: number,
  ) {
    super(detail);
    this.name = 'ProblemError';
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError(
    404,
    'not-found',
    'Not found',
    `${what} is not here. It may have been removed, or it belongs to another workspace.`,
  );

export const conflict = (code: string, detail: string): ProblemError =>
  new ProblemError(409, code, 'Changed in the meantime', detail);

/** An id that a device made stands for something else already. */
export const idTaken = (): ProblemError =>
  conflict('id-taken', 'This could not be kept under its id. Make it once more.');

export const unwritable = (place: string): ProblemError =>
  new ProblemError(
    400,
    'unwritable-text',
    'A character that cannot be kept',
    'There is a character in this text that cannot be kept. Type the text anew instead of pasting it.',
    [{ path: place, message: 'Type this text anew.' }],
  );

const invalid = (error: ZodError): ProblemError =>
  new ProblemError(
    400,
    'invalid-request',
    'Something is missing or wrong',
    error.issues[0]?.message ?? 'Check what was sent.',
    error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })),
  );

/** Turns whatever a route throws into a problem document; what is unexpected is logged and not told. */
export function problemHandler(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = toProblemError(error);
    if (problem.status >= 500)
      logger.error({ err: error, method: request.method, route: (request.route as { path?: string } | undefined)?.path }, 'request failed'); // prettier-ignore
    const body: Problem = {
      type: 'about:blank',
      title: problem.title,
      status: problem.status,
      detail: problem.detail,
      code: problem.code,
      ...(problem.errors && { errors: problem.errors }),
    };
    if (problem.retryAfter) response.set('Retry-After', String(problem.retryAfter));
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

/** When the database is the cause: what was asked for can be asked for again. */
const TROUBLE: Record<DatabaseTrouble, { title: string; detail: string; retryAfter: number }> = {
  away: {
    title: 'Not reachable',
    detail: 'Dossier cannot reach its records at the moment. Nothing was lost; try again in a moment.',
    retryAfter: 5,
  },
  full: {
    title: 'No room left',
    detail:
      'There is no room left to keep anything. Tell whoever looks after Dossier; what waits on this device stays there.',
    retryAfter: 60,
  },
  busy: {
    title: 'Busy',
    detail: 'Somebody else was changing the same. Nothing was lost; try again.',
    retryAfter: 1,
  },
};

/** What the parser of requests refuses, in words for a person; by its `type`. */
const REFUSED: Record<string, [status: number, code: string, title: string, detail: string]> = {
  'entity.too.large': [
    413,
    'too-large',
    'Too large',
    'This is larger than can be sent at once. Send less of it, or a smaller copy.',
  ],
  'entity.parse.failed': [400, 'invalid-json', 'Not readable', 'What was sent is not valid JSON.'],
  'charset.unsupported': [415, 'unknown-charset', 'Not readable', 'What was sent is not written in UTF-8.'],
  'encoding.unsupported': [415, 'unknown-encoding', 'Not readable', 'What was sent is packed in an unknown way.'],
  'request.aborted': [400, 'broken-off', 'Broken off', 'This was broken off on its way. Send it again.'],
  'request.size.invalid': [400, 'broken-off', 'Broken off', 'This did not come whole. Send it again.'],
};

/** Texts that PostgreSQL refuses whatever the statement (SQLSTATE 22021, 22P05). */
const UNWRITABLE_CODES = ['22021', '22P05'];
const UNIQUE_VIOLATION = '23505';

function toProblemError(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (error instanceof ZodError) return invalid(error);
  const trouble = databaseTrouble(error);
  if (trouble) {
    const { title, detail, retryAfter } = TROUBLE[trouble];
    return new ProblemError(503, `database-${trouble}`, title, detail, undefined, retryAfter);
  }
  if (UNWRITABLE_CODES.includes(codeOf(error) ?? '')) return unwritable('');
  // An id that a device made, and that stands for something else already: perhaps where this workspace cannot see it.
  if (codeOf(error) === UNIQUE_VIOLATION) return idTaken();
  const { type, status } = (error ?? {}) as { type?: string; status?: number };
  const refused = type ? REFUSED[type] : undefined;
  if (refused) return new ProblemError(...refused);
  // Express and its parsers name the status of what a client did wrong: an address that is none, say.
  if (status && status >= 400 && status < 500)
    return new ProblemError(status, 'invalid-request', 'Not readable', 'This request cannot be read. Check the link.');
  return new ProblemError(
    500,
    'internal',
    'Something went wrong',
    'Dossier could not do that. Nothing was lost; try again in a moment.',
  );
}
