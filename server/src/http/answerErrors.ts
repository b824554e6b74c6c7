import type { ErrorRequestHandler } from 'express';
import * as z from 'zod';
import type { ApiError } from '@ft/contract/errors';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import { problemLine } from '@ft/core/words/problemWording';
import { diskTroubleOf } from '../database/diskTrouble';
import { diskSentence } from '../database/diskWording';
import { apiFailureOf, JobFailure } from '../jobs/jobFailure';
import type { Log } from '../log/log';
import { ApiFailure } from './refusal';

/** How much would have been taken, where the reader of the body says so. */
function limitOf(error: unknown): string {
  const { limit } = error as { limit?: number };
  if (limit === undefined) return '';
  const [size, unit] = limit < 2 ** 20 ? [limit / 2 ** 10, 'kB'] : [limit / 2 ** 20, 'MB'];
  return ` (${String(Math.round(size))} ${unit})`;
}

interface Answered {
  readonly status: number;
  readonly body: ApiError;
}

const refusalOf = ({ status, code, message, problems }: ApiFailure): Answered => ({
  status,
  body: { code, message, ...(problems && { problems: [...problems] }) },
});

/** What kept the disk from storing it: the server's trouble, whatever was asked. */
function diskAnswer(error: unknown): Answered | undefined {
  const trouble = diskTroubleOf(error);
  if (trouble === undefined) return undefined;
  return { status: 507, body: { code: trouble, message: diskSentence(trouble) } };
}

function answerTo(error: unknown): Answered {
  if (error instanceof ApiFailure) return refusalOf(error);
  if (error instanceof JobFailure) return refusalOf(apiFailureOf(error));
  const disk = diskAnswer(error);
  if (disk !== undefined) return disk;
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
  if (status >= 500)
    return {
      status: 500,
      body: {
        code: 'internal',
        message:
          'The program made a mistake; nothing was changed. What you did is kept in the window and tried again. The log in the data folder has what we need to know.',
      },
    };
  return {
    status,
    body: { code: 'bad-request', message: 'The request could not be read. Reload the page and try again.' },
  };
}

/** The last middleware: every error becomes a code and a sentence, and what is no refusal goes into the log. */
export const answerErrors =
  (log: Log): ErrorRequestHandler =>
  (error, request, response, next) => {
    const { status, body } = answerTo(error);
    if (status >= 500) log.trouble('a request failed', error, { method: request.method, status });
    if (response.headersSent) {
      next(error);
      return;
    }
    response.status(status).json(body);
  };
