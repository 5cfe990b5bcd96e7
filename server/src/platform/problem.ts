import type { ErrorRequestHandler } from 'express';
import type { Problem } from '@dossier/contract';
import type { Logger } from 'pino';
import { ZodError } from 'zod';

/** An error with an answer for the person at the screen (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    readonly detail: string,
    readonly errors?: Problem['errors'],
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
      logger.error({ err: error, method: request.method, path: request.path }, 'request failed');
    const body: Problem = {
      type: 'about:blank',
      title: problem.title,
      status: problem.status,
      detail: problem.detail,
      code: problem.code,
      ...(problem.errors && { errors: problem.errors }),
    };
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

function toProblemError(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (error instanceof ZodError) return invalid(error);
  const type = (error as { type?: string } | null)?.type;
  if (type === 'entity.too.large') {
    return new ProblemError(
      413,
      'too-large',
      'Too large',
      'This file is larger than 15 MB. Send a smaller copy of it.',
    );
  }
  if (type === 'entity.parse.failed')
    return new ProblemError(400, 'invalid-json', 'Not readable', 'What was sent is not valid JSON.');
  return new ProblemError(
    500,
    'internal',
    'Something went wrong',
    'Dossier could not do that. Nothing was lost; try again in a moment.',
  );
}
