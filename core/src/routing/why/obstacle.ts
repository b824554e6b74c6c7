import type { Connector } from '../../rig/connector';
import type { LaneId, StationId, ThreadId } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import type { PlaceRole } from '../waypoints';
import type { PinRef } from './pinned';

/**
 * What stands in the way, and where: at a station, or on the copper between two. Without a thread it is
 * a cord that was planned by hand.
 */
export interface Holder {
  readonly lane: LaneId;
  readonly station?: StationId;
  readonly thread?: ThreadId;
}

/** The least that would free a way: a pin taken away, others moved, or a thread left out of the scene. */
export type Remedy =
  | { readonly code: 'unpin'; readonly pin: PinRef }
  | { readonly code: 're-plan'; readonly moves: readonly ThreadId[] }
  | { readonly code: 'leave-out'; readonly thread: ThreadId };

/** Why a thread cannot be routed. Ids and lanes, no prose. */
export type Obstacle =
  | {
      /** A way exists, but others hold part of it and have nowhere else to go. At least one of them. */
      readonly code: 'held';
      readonly holders: readonly Holder[];
      /** The least that would free a way, where it was looked for and found. */
      readonly remedy?: Remedy;
    }
  | {
      /** A switch that somebody set by hand stands elsewhere than a way would need it. */
      readonly code: 'knob-set';
      readonly key: SettingKey;
      /** Where the way would run over it. */
      readonly lane: LaneId;
    }
  | {
      /** Pins that cannot hold together. */
      readonly code: 'pins-contradict';
      readonly pins: readonly PinRef[];
    }
  | {
      /** A way exists, but too few of a kind are left on the hook. */
      readonly code: 'no-cord-left';
      /** The first cord for which there is none. */
      readonly from: LaneId;
      readonly to: LaneId;
      readonly stock: string;
      /** How many of the kind the thread and its other sides need, and how many are left for them. */
      readonly needed: number;
      readonly left: number;
    }
  | {
      /** Sides of a wide thread find no adjacent DAW inputs, though they would find others. */
      readonly code: 'no-pair';
      readonly width: number;
    }
  | {
      /** Sides of a wide thread need one and the same place, and there is no other for one of them. */
      readonly code: 'one-for-several';
      readonly lane: LaneId;
      readonly station?: StationId;
      readonly role?: PlaceRole;
    }
  | {
      /** Another side of the wide thread has no way, so that this one need not be routed. */
      readonly code: 'other-side';
      readonly thread: ThreadId;
      readonly obstacle: Obstacle;
    }
  | {
      /** The host takes an insert back at the input with the number of its send, and the pin says another. */
      readonly code: 'strict-pair';
      readonly send: LaneId;
      readonly pin: PinRef;
    }
  | {
      /** Every way runs over places that are marked as faulty. */
      readonly code: 'faulty';
      readonly lanes: readonly LaneId[];
      /** The pin without which there is a way around them. */
      readonly pin?: PinRef;
    }
  | {
      /** A way exists, but no cord of the rig, with no adaptor, joins the two kinds of jack. */
      readonly code: 'no-lead';
      readonly from: LaneId;
      readonly to: LaneId;
      readonly connectors: readonly [from: Connector, to: Connector];
    }
  | {
      readonly code: 'no-way';
      /** The last station the thread passes, or its source. */
      readonly from: LaneId;
      readonly role: PlaceRole;
      readonly station?: StationId;
      readonly lane?: LaneId;
    };
