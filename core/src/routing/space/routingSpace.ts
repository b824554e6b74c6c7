import type { SignalGraph } from '../../graph/signalGraph';
import type { Cord } from '../../session/sessionSchema';
import type { Weights } from '../costs';
import type { RouterKnob } from './choosableArcs';
import type { Hook, Lead } from './leads';

/** No edge, knob, cord or normal. */
export const NONE = -1;
/** A face that takes on the medium of whatever is connected to it; as the signal after an arc: unchanged. */
export const ANY_MEDIUM = 0;

/** What may run over lanes that stay where they are: integer arcs, sorted by the lane they leave. */
export interface Arcs {
  /** Arcs of lane l are `start[l] … start[l + 1] - 1`. */
  readonly start: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** Points. */
  readonly cost: Float64Array;
  /** The number of the medium after it, or ANY_MEDIUM where copper passes on what it has. */
  readonly signal: Uint8Array;
  /** 1 where it is the whole route of a processor. */
  readonly processor: Uint8Array;
  /** Index of the graph's edge, or NONE. */
  readonly edge: Int32Array;
  /** Number among the normals, or NONE. */
  readonly normal: Int32Array;
  readonly knob: Int32Array;
  readonly value: Int32Array;
  /** Index into the cords that are there already, or NONE. */
  readonly cord: Int32Array;
}

/** Leads of one kind in one room: from any output jack that fits to the input jacks that fit. */
export interface LeadHub {
  readonly leads: readonly Lead[];
  /** Points of each lead, newly plugged. */
  readonly costs: readonly number[];
  /** Index of the group of input jacks it reaches. */
  readonly entry: number;
}

/**
 * Everything the router may use in a scene, as integers. Nodes are the lanes, then the hubs, then the
 * entries (the input jacks of one kind in one room).
 */
export interface RoutingSpace {
  /** The patch without the router's own cords. Those planned by hand are in it. */
  readonly graph: SignalGraph;
  readonly weights: Weights;
  readonly arcs: Arcs;
  readonly laneMedium: Uint8Array;
  readonly hubs: readonly LeadHub[];
  /** Hubs an output jack can reach; empty for every other lane. */
  readonly hubsFrom: readonly (readonly number[])[];
  readonly entries: readonly Int32Array[];
  /** Points of putting a plug in: the normals it opens. */
  readonly plugCost: Float64Array;
  /** The normals, by number, that a plug in a jack opens. */
  readonly opens: readonly (readonly number[])[];
  readonly normalCount: number;
  readonly knobs: readonly RouterKnob[];
  /** Cords the router planned before: it may keep or pull them. */
  readonly ownCords: readonly Cord[];
  /** What each of them takes off the hook, as indices into its counts. */
  readonly ownTakes: readonly (readonly number[])[];
  readonly hook: Hook;
  /** What the hook holds for the router. */
  readonly capacity: readonly number[];
}

/** One step of a way: over an arc, or by a cord newly plugged. */
export type Step =
  | { readonly kind: 'arc'; readonly arc: number; readonly from: number; readonly to: number }
  | {
      readonly kind: 'cord';
      readonly lead: Lead;
      readonly cost: number;
      readonly from: number;
      readonly to: number;
    };
