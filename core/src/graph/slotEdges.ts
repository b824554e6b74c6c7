import type { HardwareSlot, Slot } from '../session/daw/trackSchema';
import type { HostProfile } from '../session/daw/hostProfile';
import { knownDelaySamples, slotDelaySamples } from './compensation';
import type { Edge } from './signalGraph';

/** A way through a slot, between lanes of the track and of the host. */
export interface SlotEdge {
  readonly from: number;
  readonly to: number;
  readonly kind: 'route' | 'crosspoint';
  readonly more: Partial<
    Pick<Edge, 'gainDb' | 'delaySamples' | 'compensatedSamples' | 'inverts' | 'isMidSide'>
  >;
}

/** The lanes a slot stands between, and those of the host it may go out and come back by; one for each side. */
export interface SlotLanes {
  readonly before: readonly number[];
  readonly after: readonly number[];
  /** Undefined where the host has no such output or input. */
  readonly out: readonly (number | undefined)[];
  readonly back: readonly (number | undefined)[];
}

/**
 * The gain of the way into mid and side: M = (L + R)/2, S = (L − R)/2, so that two sides at full scale do not clip; on the
 * way back L = M + S and R = M − S at unity.
 */
export const MID_SIDE_DB = 20 * Math.log10(0.5);

/** What the host compensates of a delay it knows. */
const compensated = (samples: number, { compensates }: HostProfile): Pick<Edge, 'compensatedSamples'> =>
  compensates && samples > 0 ? { compensatedSamples: samples } : {};

/** Straight on, with what the host delays there. */
const past = (
  { before, after }: SlotLanes,
  delaySamples: number,
  profile: HostProfile,
  gainDb = 0,
): readonly SlotEdge[] =>
  before.map((from, i) => ({
    ...{ from, to: after[i] ?? -1, kind: 'route' as const },
    more: { gainDb, delaySamples, ...compensated(delaySamples, profile) },
  }));

interface Cell {
  readonly into: number;
  readonly outOf: number;
  readonly more: SlotEdge['more'];
}

/** Which side goes into which: each into its own, or both into the middle and into what differs. */
function cells(sides: number, isMidSide: boolean, gainDb: number): readonly Cell[] {
  if (!isMidSide) return Array.from({ length: sides }, (_, i) => ({ into: i, outOf: i, more: { gainDb } }));
  return [0, 1].flatMap((into) =>
    [0, 1].map((outOf) => ({
      ...{ into, outOf },
      more: { gainDb, inverts: into === 1 && outOf === 1, isMidSide: true as const },
    })),
  );
}

/** Out of the host, and back: the returns come from the same lanes whatever hangs between. */
function trip(lanes: SlotLanes, slot: HardwareSlot, profile: HostProfile): readonly SlotEdge[] {
  const { before, after, out, back } = lanes;
  const isMidSide = slot.midSide === true && before.length === 2;
  const edge = (
    from: number | undefined,
    to: number | undefined,
    more: SlotEdge['more'],
  ): readonly SlotEdge[] =>
    from === undefined || to === undefined ? [] : [{ from, to, kind: 'crosspoint', more }];
  const known = compensated(knownDelaySamples(slot, profile), profile);
  const sent = cells(before.length, isMidSide, slot.sendTrimDb + (isMidSide ? MID_SIDE_DB : 0));
  const returned = cells(before.length, isMidSide, slot.returnTrimDb + (slot.parallel?.wetDb ?? 0));
  return [
    ...sent.flatMap(({ into, outOf, more }) => edge(before[outOf], out[into], more)),
    ...returned.flatMap(({ into, outOf, more }) => edge(back[outOf], after[into], { ...more, ...known })),
  ];
}

/** The ways through an insert slot of a track. */
export function slotEdges(slot: Slot, lanes: SlotLanes, profile: HostProfile): readonly SlotEdge[] {
  if (slot.kind === 'plugin') return past(lanes, slot.delaySamples, profile, slot.gainDb);
  if (slot.off === true)
    return past(lanes, profile.compensates ? slotDelaySamples(slot, profile) : 0, profile);
  const dry = slot.parallel === undefined ? [] : past(lanes, 0, profile, slot.parallel.dryDb);
  return [...trip(lanes, slot, profile), ...dry];
}
