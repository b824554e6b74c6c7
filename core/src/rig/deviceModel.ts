import type { Connector } from './connector';
import type { LinkKind } from '../units/linkLanes';
import type { Medium } from './medium';

/** The driving side of an analogue lane. Unknown figures are left out, never zero. */
export interface OutputData {
  readonly sourceOhm?: number;
  /** Greatest level of a sine, dBu. */
  readonly maxDbu?: number;
  /** Noise of the device itself at this output, dBu, 20 Hz to 20 kHz, unweighted. */
  readonly noiseDbu?: number;
  /** Through a transformer: neither side is earthed, so that it keeps its level when one is. */
  readonly floating?: boolean;
  /** What 48 V from the input it leads to is to it; left out where nobody has said. */
  readonly phantom?: PhantomNeed;
  /** The least load it is made to drive, headphones above all. */
  readonly leastLoadOhm?: number;
}

/** `needs` works by it alone, `harmful` is harmed by it. */
export type PhantomNeed = 'needs' | 'harmless' | 'harmful';

/** A knob of the device, as a port, route or station refers to it. */
export interface KnobRef {
  readonly setting: string;
  readonly channel: number;
}

/** The receiving side of an analogue lane. */
export interface InputData {
  readonly loadOhm?: number;
  /** Greatest level of a sine, dBu. */
  readonly maxDbu?: number;
  /** Through a transformer: it takes the whole of what comes, earthed on one side or not. */
  readonly floating?: boolean;
  /** The primary of a transformer: it loads by what hangs on its secondary, times the square of its turns. */
  readonly transformer?: { readonly to: LaneKey; readonly ratio: number; readonly secondaryOhm: number };
  /** The switch that puts 48 V on this input, whatever the channel behind it listens to. */
  readonly phantom?: KnobRef;
}

/** What a microphone adds to its output lane. */
export interface MicrophoneData {
  /** Open-circuit level in 1 Pa (94 dB SPL), dBu. */
  readonly sensitivityDbu: number;
  /** Greatest sound level, dB SPL. */
  readonly maxDbSpl?: number;
  /** Its noise is A-weighted, unlike all other noise. */
  readonly noiseIsWeighted?: boolean;
}

/** One connector face. Lanes are counted from 1. */
export interface Port {
  readonly key: string;
  readonly name: string;
  readonly direction: 'in' | 'out';
  readonly medium: Medium;
  readonly lanes: number;
  readonly connector: Connector;
  /** `front` faces take cords; `rear` faces are wired for good; `inside` faces take nothing. */
  readonly face: 'front' | 'rear' | 'inside';
  readonly balanced?: boolean;
  readonly output?: OutputData;
  readonly input?: InputData;
  readonly microphone?: MicrophoneData;
  /** What kind of digital link it is; the sample rate then decides how many of its lanes there are. */
  readonly link?: LinkKind;
  /** Names for single lanes where the port's own name plus a number would mislead. */
  readonly laneNames?: readonly string[];
}

/** A lane inside its device. */
export interface LaneKey {
  readonly port: string;
  readonly lane: number;
}

/** Samples at single (44.1, 48 kHz), double and quadruple rate. */
export type DelayByRate = readonly [single: number, double: number, quadruple: number];

/** A connection inside a device, one lane to one lane. */
export interface Route {
  readonly from: LaneKey;
  readonly to: LaneKey;
  /**
   * `normal` is a route between jacks that a plug may open; `wire` is plain copper; `active` has a gain;
   * `crosspoint` is an active one that the session chose in a matrix or on a bus.
   */
  readonly kind: 'active' | 'wire' | 'normal' | 'crosspoint';
  /** Unloaded voltage gain. On a converter it is also the change of scale from dBu to dBFS. */
  readonly gainDb: number;
  readonly inverts?: boolean;
  /** At every rate alike, or by rate. */
  readonly delaySamples?: number | DelayByRate;
  /** Of units that run at a rate of their own. */
  readonly delayMs?: number;
  /** Host buffers the route waits for; their length is the session's choice. */
  readonly delayBuffers?: number;
  /** Noise added before the gain, in the unit of `from` (a preamp's equivalent input noise). */
  readonly inputNoise?: number;
  /** Noise added after the gain, in the unit of `to`. */
  readonly outputNoise?: number;
  /** A plug in any of these jacks opens the route. */
  readonly unlessPlugged?: readonly LaneKey[];
  /** The knobs that act on it. */
  readonly knobs?: readonly KnobRef[];
  /** A transformer: what hangs on its far side is felt on the near one. */
  readonly showsLoad?: boolean;
  /** Resistors alone: 48 V runs through it against the signal. */
  readonly passesPower?: boolean;
}

/** A route that is there when a knob stands at `value`, and only then. */
export interface Choosable extends KnobRef {
  readonly value: number;
  readonly from: LaneKey;
  readonly to: LaneKey;
}

/**
 * What an input may be pinned to. The order is the order in which an input passes them, and the order
 * of the columns of the input list.
 */
export const STATION_ROLES = ['room-jack', 'preamp', 'processor', 'converter', 'daw-input'] as const;
export type PinRole = (typeof STATION_ROLES)[number];

export const isPinRole = (role: StationRole): role is PinRole => STATION_ROLES.some((each) => each === role);

/** What a station is for. */
export type StationRole =
  PinRole | 'loop' | 'di' | 're-amp' | 'sum' | 'line-output' | 'daw-output' | 'monitor';

/** One processing face of a device: what a thread passes from `in` to `out`. Serves one thread at a time. */
export interface Station {
  readonly key: string;
  readonly name: string;
  readonly role: StationRole;
  readonly in: LaneKey;
  readonly out: LaneKey;
  /** The settings channel that belongs to this station, counted from 1. */
  readonly channel: number;
  /** The knobs of that channel that act on this station; none where it has none. */
  readonly settings?: readonly string[];
}

/** A device as the compiler sees it: ports, the routes between them, and its stations. */
export interface DeviceModel {
  readonly ports: readonly Port[];
  readonly routes: readonly Route[];
  readonly stations: readonly Station[];
}
