import { timingSafeEqual } from 'node:crypto';
import { parse, serialize } from 'cookie';
import type { RequestHandler } from 'express';
import { TOKEN_COOKIE, TOKEN_HEADER } from '@ft/contract/token';
import { ApiFailure } from './refusal';

const isSame = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** Gives every page the token that it has to show with whatever changes something. */
export const giveToken =
  (token: string): RequestHandler =>
  (request, response, next) => {
    if (parse(request.headers.cookie ?? '')[TOKEN_COOKIE] !== token)
      response.append('Set-Cookie', serialize(TOKEN_COOKIE, token, { path: '/', sameSite: 'strict' }));
    next();
  };

/**
 * Refuses what would change something unless it shows the token: a page of another program cannot read it,
 * and a form cannot send it. Reading needs none.
 */
export const needToken =
  (token: string): RequestHandler =>
  (request, _response, next) => {
    const isReading = request.method === 'GET' || request.method === 'HEAD';
    if (!isReading && !isSame(request.get(TOKEN_HEADER) ?? '', token))
      throw new ApiFailure(
        403,
        'no-token',
        'This page was loaded before the program was set up anew. Reload the page; what you did is kept.',
      );
    next();
  };
