import { mayOnlyTick } from '../http/refusal';
import { parse, serialize } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { Tablet } from '@ft/contract/sharing';
import { ApiFailure } from '../http/refusal';
import type { Maker } from '../studios/keeping';
import type { TabletStore } from './tabletStore';

/** The name is of the first version, when tablets were called devices: those that are paired stay paired. */
const COOKIE = 'ft_device';
/** Ten years, s: a tablet stays paired until it is revoked. */
const COOKIE_AGE_S = 10 * 365 * 24 * 3600;

/** The cookie that makes a tablet known. Scripts cannot read it, other sites' pages cannot send it. */
export const tabletCookie = (token: string): string =>
  serialize(COOKIE, token, { path: '/', maxAge: COOKIE_AGE_S, httpOnly: true, sameSite: 'strict' });

const tokenOf = (request: Request): string | undefined => parse(request.headers.cookie ?? '')[COOKIE];

/** The tablet behind a request; undefined is this computer. */
export const tabletOf = (response: Response): Tablet | undefined =>
  response.locals['tablet'] as Tablet | undefined;

/** The author a tablet is known as: what the server knows, whatever the tablet says. */
export const authorOf = (response: Response, said: string): string => {
  const tablet = tabletOf(response);
  return tablet === undefined ? said : `tablet-${tablet.id}`;
};

/** Who asks, and what they may do. */
export function makerOf(response: Response, said: string): Maker {
  const tablet = tabletOf(response);
  return {
    author: authorOf(response, said),
    ...(tablet !== undefined && { tablet: tablet.id }),
    ticksOnly: tablet?.role === 'tick',
  };
}

/** Lets through only tablets that were paired and not revoked. */
export function pairedOnly(tablets: TabletStore, now: () => string): RequestHandler {
  return async (request, response, next) => {
    const token = tokenOf(request);
    const tablet = token === undefined ? undefined : await tablets.known(token, now());
    if (tablet === undefined)
      throw new ApiFailure(
        401,
        'not-paired',
        'This tablet is not paired, or not any more. Ask in the control room for a code, and open /pair here.',
      );
    response.locals['tablet'] = tablet;
    next();
  };
}

/** Ticking posts changes, takes them back, points at things and opens sessions; everything else that is not reading needs the right to edit. */
const TICKS = /^\/(studios\/[^/]+\/(changes|undo|redo|pointing|sessions\/[^/]+\/opened)|jobs\/[^/]+)$/;

/** Keeps tablets that may only tick from everything else; what their changes hold is looked at where they are made. */
export const ticksOnly: RequestHandler = (request, response, next) => {
  const isReading = request.method === 'GET' || request.method === 'HEAD';
  if (tabletOf(response)?.role === 'tick' && !isReading && !TICKS.test(request.path)) throw mayOnlyTick();
  next();
};
