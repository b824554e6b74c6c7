import type { RequestHandler } from 'express';
import { ApiFailure } from './apiFailure';

const LOCAL_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

function hostName(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase();
}

function isLocalOrigin(origin: string): boolean {
  try {
    return LOCAL_NAMES.has(new URL(origin).hostname);
  } catch {
    return false;
  }
}

/**
 * Refuses requests that reached this machine under another name (DNS rebinding) or that another
 * site's page sent (cross-site request).
 */
export const localOnly: RequestHandler = (request, _response, next) => {
  const { host = '', origin } = request.headers;
  if (!LOCAL_NAMES.has(hostName(host)) || (origin !== undefined && !isLocalOrigin(origin)))
    throw new ApiFailure(
      403,
      'not-local',
      'This program answers only to this computer. Open it at http://127.0.0.1.',
    );
  next();
};
