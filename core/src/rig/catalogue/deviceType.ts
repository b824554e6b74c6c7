import type * as z from 'zod';
import type { Choosable, DeviceModel } from '../deviceModel';
import type { ReadSetting, SettingSpec } from '../settings';
import type { ChannelSheet } from '../sheets/channelSheet';

/**
 * A generic kind of gear: a few parameters from which ports, routes and stations are built.
 * `params` fills defaults; `settings` lists what a scene may set; `build` is pure.
 */
export interface DeviceType {
  readonly type: string;
  readonly title: string;
  /** One sentence for the person who chooses it. */
  readonly what: string;
  readonly params: z.ZodType<Record<string, unknown>>;
  settings(params: unknown): readonly SettingSpec[];
  /** Every route that some position of a knob would close: what the router may choose from. */
  choosables(params: unknown): readonly Choosable[];
  build(params: unknown, read: ReadSetting): DeviceModel;
  /** Its channels as rows and its knobs as columns; left out where the knobs as they are listed make one. */
  sheet(params: unknown): ChannelSheet | undefined;
}

interface TypedDeviceType<P extends Record<string, unknown>> {
  readonly type: string;
  readonly title: string;
  readonly what: string;
  readonly params: z.ZodType<P>;
  settings?(params: P): readonly SettingSpec[];
  choosables?(params: P): readonly Choosable[];
  build(params: P, read: ReadSetting): DeviceModel;
  sheet?(params: P): ChannelSheet;
}

/** Closes over a type's own parameter type, so that the catalogue can be one plain table. */
export function deviceType<P extends Record<string, unknown>>(typed: TypedDeviceType<P>): DeviceType {
  return {
    type: typed.type,
    title: typed.title,
    what: typed.what,
    params: typed.params,
    settings: (params) => typed.settings?.(params as P) ?? [],
    choosables: (params) => typed.choosables?.(params as P) ?? [],
    build: (params, read) => typed.build(params as P, read),
    sheet: (params) => typed.sheet?.(params as P),
  };
}
