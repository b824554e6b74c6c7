import type { AdaptorId, DeviceId, LaneId, StockId } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import type { FloorCord } from '../session/floorSchema';
import type { TrackState } from '../session/daw/trackState';

/** A cord as it is to be plugged. */
export interface WantedCord {
  readonly from: LaneId;
  readonly to: LaneId;
  readonly stock: StockId;
  readonly fromAdaptor?: AdaptorId | undefined;
  readonly toAdaptor?: AdaptorId | undefined;
}

/** One end of a cord on the floor goes to another jack; the other end stays. */
export interface Move {
  readonly cord: FloorCord;
  readonly end: 'from' | 'to';
  /** What it is then, of the kind it is. */
  readonly becomes: WantedCord;
}

/** Something done with one cord, by one hand, at the jacks. */
export type CordStep =
  | { readonly kind: 'pull'; readonly cord: FloorCord }
  | ({ readonly kind: 'move' } & Move)
  /** `isShort`: no such cord, or no such adaptor, is on the hook. */
  | { readonly kind: 'plug'; readonly becomes: WantedCord; readonly isShort: boolean };

/** A knob turned; null is its initial place, as it is stored. */
export interface Turn {
  readonly key: SettingKey;
  readonly was: SettingValue | null;
  readonly value: SettingValue | null;
}

export type Quiet = 'monitors' | 'cues';

/** One thing to do on the way from what is on the floor to what is wanted. */
export type Step =
  | { readonly kind: 'mute' | 'open'; readonly quiet: Quiet; readonly devices: readonly DeviceId[] }
  | { readonly kind: 'power-off'; readonly device: DeviceId; readonly turns: readonly Turn[] }
  /** The wait until lines have lost their charge: `keys` are the switches whose lines they are. */
  | { readonly kind: 'drain'; readonly keys: readonly SettingKey[] }
  | CordStep
  /** `isWayBack`: what a recorder played is heard from the stage again. */
  | {
      readonly kind: 'set';
      readonly device: DeviceId;
      readonly turns: readonly Turn[];
      readonly isWayBack?: true;
    }
  /** Tracks of the host armed or monitored otherwise: `disarm` before anything plays, `arm` when all stands. */
  | { readonly kind: 'disarm' | 'arm'; readonly tracks: readonly TrackState[] };

/** What a step is known by, whatever has been done before it. */
export function stepId(step: Step): string {
  switch (step.kind) {
    case 'mute':
    case 'open':
      return `${step.kind} ${step.quiet}`;
    case 'power-off':
      return `${step.kind} ${step.device}`;
    case 'drain':
      return step.kind;
    case 'pull':
      return `pull ${step.cord.id}`;
    case 'move':
      return `move ${step.cord.id} ${step.cord.to} to ${step.becomes.from} ${step.becomes.to}`;
    case 'plug':
      return `plug ${step.becomes.from} ${step.becomes.to}`;
    case 'disarm':
    case 'arm':
      return `${step.kind} ${step.tracks.map(({ id }) => id).join(' ')}`;
    case 'set':
      return `set ${step.device} ${step.turns.map(({ key }) => key).join(' ')}`;
  }
}

export const isCordStep = (step: Step): step is CordStep =>
  step.kind === 'pull' || step.kind === 'move' || step.kind === 'plug';
