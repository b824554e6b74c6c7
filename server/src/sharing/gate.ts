import type { Request, RequestHandler, Response } from 'express';
import type { PairedDevice } from '@ft/contract/sharing';
import { ApiFailure } from '../apiFailure';
import type { DeviceStore } from './deviceStore';

const COOKIE = 'ft_device';
/** Ten years, s: a tablet stays paired until it is revoked. */
const COOKIE_AGE_S = 10 * 365 * 24 * 3600;

/** The cookie that makes a device known. Scripts cannot read it, other sites' pages cannot send it. */
export const deviceCookie = (token: string): string =>
  `${COOKIE}=${token}; Path=/; Max-Age=${String(COOKIE_AGE_S)}; HttpOnly; SameSite=Strict`;

function tokenOf(request: Request): string | undefined {
  const cookies = (request.headers.cookie ?? '').split(';').map((each) => each.trim());
  return cookies.find((each) => each.startsWith(`${COOKIE}=`))?.slice(COOKIE.length + 1);
}

/** The device behind a request; undefined is this computer. */
export const deviceOf = (response: Response): PairedDevice | undefined =>
  response.locals['device'] as PairedDevice | undefined;

/** Lets through only devices that were paired and not revoked. */
export function pairedOnly(devices: DeviceStore, now: () => string): RequestHandler {
  return async (request, response, next) => {
    const token = tokenOf(request);
    const device = token === undefined ? undefined : await devices.known(token, now());
    if (device === undefined)
      throw new ApiFailure(
        401,
        'not-paired',
        'This device is not paired, or not any more. Ask at the desk for a code, and open /pair here.',
      );
    response.locals['device'] = device;
    next();
  };
}

/** Ticking posts changes and takes them back; everything else that is not reading needs the right to edit. */
const TICKS = /^\/studios\/[^/]+\/(changes|undo|redo)$/;

/** Keeps devices that may only tick from everything else; what their changes may hold is looked at there. */
export const ticksOnly: RequestHandler = (request, response, next) => {
  const isReading = request.method === 'GET' || request.method === 'HEAD';
  if (deviceOf(response)?.role === 'tick' && !isReading && !TICKS.test(request.path)) throw mayOnlyTick();
  next();
};

export const mayOnlyTick = (): ApiFailure =>
  new ApiFailure(
    403,
    'may-only-tick',
    'This device may only tick off steps. Ask at the desk to let it edit, or make the change there.',
  );

const FLOOR_EDIT = /^(plug|precaution)\.(add|remove|set)$|^floorSetting\.set$|^floor\.set$/;

/** Whether edits do nothing but say what is plugged and set. */
export const areTicks = (edits: readonly { readonly type: string }[]): boolean =>
  edits.every(({ type }) => FLOOR_EDIT.test(type));
