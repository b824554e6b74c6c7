import express from 'express';
import type { Request, RequestHandler } from 'express';
import type * as z from 'zod';
import { ApiFailure } from './refusal';
import type { ReadRequest } from './readRequest';
import { readRequestText } from './readRequest';

/** Takes the body of a request as text, up to a size; what it says is read by `bodyOf`. */
export const textBody = (limit: string): RequestHandler => express.text({ type: () => true, limit });

export const textOf = (request: Request): string => (typeof request.body === 'string' ? request.body : '');

/** What was read, or a refusal that names the places. */
export function readOrRefuse<T>(reading: ReadRequest<T>): T {
  if (reading.ok) return reading.value;
  const { problems } = reading;
  throw new ApiFailure(400, 'invalid', `The request does not fit: ${problems[0] ?? ''}`, problems);
}

/** The body of a request by its schema. */
export const bodyOf = <S extends z.ZodType>(request: Request, schema: S): z.infer<S> =>
  readOrRefuse(readRequestText(textOf(request), schema));
