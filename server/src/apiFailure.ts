import type { ErrorRequestHandler } from 'express';
import * as z from 'zod';
import type { ApiError } from '@ft/contract/api';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import { problemLine } from '@ft/core/session/problemWording';

/** A refusal on its way to the client: status, stable code, sentences. */
export class ApiFailure extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly problems?: readonly string[],
  ) {
    super(message);
  }
}

export const notFound = (what: string): ApiFailure =>
  new ApiFailure(
    404,
    'not-found',
    `There is no such ${what} here. It may have been removed; go back to the first screen.`,
  );

/** How much would have been taken, where the reader of the body says so. */
function limitOf(error: unknown): string {
  const { limit } = error as { limit?: number };
  if (limit === undefined) return '';
  const [size, unit] = limit < 2 ** 20 ? [limit / 2 ** 10, 'kB'] : [limit / 2 ** 20, 'MB'];
  return ` (${String(Math.round(size))} ${unit})`;
}

function answerTo(error: unknown): { status: number; body: ApiError } {
  if (error instanceof ApiFailure) {
    const { status, code, message, problems } = error;
    return { status, body: { code, message, ...(problems && { problems: [...problems] }) } };
  }
  if (error instanceof z.ZodError) {
    const problems = shapeProblems(error.issues).map(problemLine);
    return {
      status: 400,
      body: { code: 'invalid', message: `The request does not fit: ${problems[0] ?? ''}`, problems },
    };
  }
  const status = (error as { status?: number }).status ?? 500;
  if (status === 413)
    return {
      status,
      body: {
        code: 'too-large',
        message: `That is larger than the program takes${limitOf(error)}. Split it, or check that it is the right file.`,
      },
    };
  if (status >= 500) {
    console.error(error);
    return {
      status: 500,
      body: {
        code: 'internal',
        message:
          'The program made a mistake; nothing was changed. Try again, and keep the message in the terminal for us.',
      },
    };
  }
  return {
    status,
    body: { code: 'bad-request', message: 'The request could not be read. Reload the page and try again.' },
  };
}

/** The last middleware: every error becomes a code and a sentence. */
export const answerErrors: ErrorRequestHandler = (error, _request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const { status, body } = answerTo(error);
  response.status(status).json(body);
};
