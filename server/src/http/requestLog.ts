import type { Request, RequestHandler } from 'express';
import type { Log } from '../log/log';

/** The pattern an address fell under: ids are made of names, and names stay out of the log. */
const patternOf = (request: Request): string =>
  (request.route as { path?: string } | undefined)?.path ?? 'none';

/** Writes down each request when it is answered: what was asked, not about what. */
export const requestLog =
  (log: Log): RequestHandler =>
  (request, response, next) => {
    const started = performance.now();
    response.on('finish', () => {
      log.detail('answered', {
        method: request.method,
        route: patternOf(request),
        status: response.statusCode,
        ms: Math.round(performance.now() - started),
      });
    });
    next();
  };
