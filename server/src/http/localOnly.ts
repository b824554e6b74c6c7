import type { RequestHandler } from 'express';
import { ApiFailure } from './refusal';

const LOCAL_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Refuses requests that reached this machine under another name (DNS rebinding), and those of pages that did
 * not come from here: other sites', and other programs' at other ports of this computer.
 */
export const localOnly: RequestHandler = (request, _response, next) => {
  const { host = '', origin } = request.headers;
  const isOwnPage = origin === undefined || origin.toLowerCase() === `http://${host.toLowerCase()}`;
  if (!LOCAL_NAMES.has(hostName(host)) || !isOwnPage)
    throw new ApiFailure(
      403,
      'not-local',
      'This program answers only to its own pages on this computer. Open it at http://127.0.0.1.',
    );
  next();
};
