import { ApiFailure } from '../http/refusal';
import type { Budget } from './budget';

export type JobFailureCode = 'too-long' | 'too-much-memory' | 'cancelled' | 'too-many';

/** A job that was ended before it was done. Nothing it worked on was stored. */
export class JobFailure extends Error {
  constructor(
    readonly code: JobFailureCode,
    readonly budget?: Budget,
  ) {
    super(code);
  }
}

const STATUS: Record<JobFailureCode, number> = {
  'too-long': 422,
  'too-much-memory': 422,
  cancelled: 409,
  'too-many': 429,
};

const SENTENCE: Record<JobFailureCode, (budget?: Budget) => string> = {
  'too-long': (budget) =>
    `This took more than ${String(Math.round((budget?.timeMs ?? 0) / 1000))} s and was ended; nothing was changed. Try it on fewer lines or devices at a time, and tell us about the studio it happens with.`,
  'too-much-memory': (budget) =>
    `This took more than ${String(budget?.memoryMb ?? 0)} MB of memory and was ended; nothing was changed. Try it on fewer lines or devices at a time, and tell us about the studio it happens with.`,
  cancelled: () => 'This was cancelled. Nothing was changed.',
  'too-many': () =>
    'The program is busy with other work that takes long. Nothing was changed; try again in a moment.',
};

/** The failure as it goes to whoever asked. */
export const apiFailureOf = ({ code, budget }: JobFailure): ApiFailure =>
  new ApiFailure(STATUS[code], code === 'too-many' ? 'busy' : code, SENTENCE[code](budget));
