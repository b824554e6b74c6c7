import type { Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import type { Express, RequestHandler } from 'express';
import { ApiFailure } from '../http/refusal';

/** The addresses of this computer on its networks, IPv4, the loopback left out. */
export const ownAddresses = (): readonly string[] =>
  Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/**
 * Refuses requests that name this computer other than by its address (DNS rebinding), and pages of other
 * sites (cross-site request).
 */
export const ownAddressOnly: RequestHandler = (request, _response, next) => {
  const { host = '', origin } = request.headers;
  const isOwn = ['127.0.0.1', ...ownAddresses()].includes(host.replace(/:\d+$/, ''));
  if (!isOwn || (origin !== undefined && origin !== `http://${host}`))
    throw new ApiFailure(
      403,
      'not-local',
      'This program answers only to its own address. Open the link that the computer in the control room shows.',
    );
  next();
};

/** The door to the studio network: a listener of its own, which is there only while the setting says so. */
export interface Door {
  /** The port it listens at while it is open. */
  readonly port: number;
  open(): Promise<void>;
  close(): Promise<void>;
}

/** A door at a port of every network this computer is on. */
export function networkDoor(port: number, app: () => Express): Door {
  let server: Server | undefined;
  return {
    port,
    open: () =>
      new Promise((resolve, reject) => {
        if (server?.listening === true) {
          resolve();
          return;
        }
        server = app().listen(port, '0.0.0.0');
        server.once('listening', resolve);
        server.once('error', reject);
      }),
    close: () =>
      new Promise((resolve) => {
        if (server?.listening !== true) {
          resolve();
          return;
        }
        server.close(() => {
          resolve();
        });
        server.closeAllConnections();
      }),
  };
}
