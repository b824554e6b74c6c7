import type { BusId, TrackId } from '../rig/ids';
import type { Slot, Track } from '../session/daw/trackSchema';
import type { Session } from '../session/sessionSchema';

/** The round trip of a hardware slot as the host knows it; 0 where it does not. */
export const knownDelaySamples = (
  { delaySamples = 0 }: { readonly delaySamples?: number },
  { insertDelay }: Session['hostProfile'],
): number => (insertDelay === 'not known to the host' ? 0 : delaySamples);

/**
 * What a host delays in a slot as far as it knows. One that is off keeps its time where the host bypasses it, and loses
 * it where the host can only switch it off.
 */
export function slotDelaySamples(slot: Slot, profile: Session['hostProfile']): number {
  if (slot.kind === 'plugin') return slot.delaySamples;
  return slot.off === true && profile.onlySwitchesOff === true ? 0 : knownDelaySamples(slot, profile);
}

const inSlot = (slot: Slot | null, profile: Session['hostProfile']): number =>
  slot === null ? 0 : slotDelaySamples(slot, profile);

const busesOf = ({ outputs, sends }: Track): readonly BusId[] =>
  [...outputs, ...sends.map(({ destination }) => destination)].flatMap((to) =>
    to.to === 'bus' ? [to.bus] : [],
  );

/**
 * By how much a host that compensates delays everything, samples: the slots of its slowest path, track into bus into
 * track. 0 where it does not compensate. Tracks that feed each other in a circle are followed once.
 */
export function compensationSamples({ tracks, hostProfile }: Session): number {
  if (!hostProfile.compensates) return 0;
  const known = new Map<TrackId, number>();
  const upTo = (track: Track): number => {
    const found = known.get(track.id);
    if (found !== undefined) return found;
    known.set(track.id, 0);
    const { input } = track;
    const feeding = input.from === 'bus' ? tracks.filter((other) => busesOf(other).includes(input.bus)) : [];
    const own = track.inserts.reduce((sum, slot) => sum + inSlot(slot, hostProfile), 0);
    const total = own + Math.max(0, ...feeding.map(upTo));
    known.set(track.id, total);
    return total;
  };
  return Math.max(0, ...tracks.map(upTo));
}
