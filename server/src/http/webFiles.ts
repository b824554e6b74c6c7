import { basename } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Angular's hashed file names: main-ABCDEFGH.js, chunk-…, media/…, and what the build packed of them. */
const HASHED = /-[A-Z0-9]{8}\.[a-z0-9]+(\.br)?$/;

/** A worker is held by the headers of its own script, as a page is. */
const WORKER = 'worker-';

/** What is meant for pages: with a font or an icon it only makes the way longer, as there are dozens of them. */
const FOR_PAGES = [
  'Content-Security-Policy',
  'Cross-Origin-Opener-Policy',
  'Origin-Agent-Cluster',
  'Referrer-Policy',
  'Set-Cookie',
  'X-DNS-Prefetch-Control',
  'X-Download-Options',
  'X-Frame-Options',
  'X-Permitted-Cross-Domain-Policies',
  'X-XSS-Protection',
] as const;

/**
 * The built web application; every path without a file ending is its index page. Files the build has packed
 * go out packed to who takes them.
 */
export function webFiles(root: string): Router {
  const router = Router();
  router.use(
    expressStaticGzip(root, {
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        setHeaders(response, path) {
          const immutable = HASHED.test(path);
          response.setHeader('Cache-Control', immutable ? 'public, max-age=31536000, immutable' : 'no-cache');
          if (immutable && !basename(path).startsWith(WORKER))
            for (const name of FOR_PAGES) response.removeHeader(name);
        },
      },
    }),
  );
  router.get('/{*path}', (request, response, next) => {
    if (/\.[a-z0-9]{1,8}$/i.test(request.path)) {
      next();
      return;
    }
    response.sendFile('index.html', { root });
  });
  return router;
}
