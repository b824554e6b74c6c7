import type { JobId } from '../../../rig/ids';
import type { HardwareSlot, Slot, Track } from '../../../session/daw/trackSchema';
import { MOST_SLOTS } from '../../../session/daw/trackSchema';
import type { Job } from '../../../session/jobSchema';
import type { GivenPair } from '../../../mix/giveChannels';
import type { JobTrims } from '../../../mix/jobTrims';

type Slots = Track['inserts'];

/** Empty slots behind the last filled one say nothing. */
function trimmed(slots: readonly (Slot | null)[]): Slots {
  const filled = slots.flatMap((slot, i) => (slot === null ? [] : [i]));
  return slots.slice(0, (filled.at(-1) ?? -1) + 1);
}

/** The slots without what a job put there; the others keep their places. */
export const withoutJob = (slots: Slots, job: JobId): Slots =>
  trimmed(slots.map((slot) => (slot?.job === job ? null : slot)));

const TO_UNIT = 'Gain to outboard';
const FROM_UNIT = 'Gain from outboard';

const isGain = (slot: Slot | null | undefined, job: JobId): boolean =>
  slot?.kind === 'plugin' && slot.job === job;

const gain = (name: string, gainDb: number, job: JobId): Slot => ({
  ...{ kind: 'plugin', name, delaySamples: 0, gainDb, job },
});

/** The slots without the gain plug-ins of a job, and where its hardware stands then. */
function withoutGains(slots: Slots, job: JobId): Slots {
  const own = slots.findIndex((slot) => slot?.kind === 'hardware' && slot.job === job);
  return slots.filter((slot, i) => !isGain(slot, job) || Math.abs(i - own) > 1);
}

/** The hardware of a job in its slot, in place of what it had. */
export function withHardware(slots: Slots, { id, at, midSide, parallel }: Job, pair: GivenPair): Slots {
  if (at.in !== 'slot') return slots;
  const found = slots.findIndex((slot) => slot?.kind === 'hardware' && slot.job === id);
  const place = found >= 0 ? found : at.slot - 1;
  const was = slots[place];
  const before: Pick<HardwareSlot, 'sendTrimDb' | 'returnTrimDb' | 'delaySamples'> =
    was?.kind === 'hardware' ? was : { sendTrimDb: 0, returnTrimDb: 0 };
  const slot: HardwareSlot = {
    kind: 'hardware',
    ...pair,
    ...{ sendTrimDb: before.sendTrimDb, returnTrimDb: before.returnTrimDb, job: id },
    ...(before.delaySamples !== undefined && { delaySamples: before.delaySamples }),
    ...(midSide === true && { midSide }),
    ...(parallel && { parallel }),
  };
  const now: (Slot | null)[] = [...slots];
  while (now.length < place) now.push(null);
  now[place] = slot;
  return now;
}

/** Changes the hardware of a job, wherever it stands. */
export const hardwareChanged = (slots: Slots, job: JobId, change: Partial<HardwareSlot>): Slots =>
  slots.map((slot) => (slot?.kind === 'hardware' && slot.job === job ? { ...slot, ...change } : slot));

/** Takes a field out of the hardware of a job. */
export const hardwareWithout = (slots: Slots, job: JobId, field: 'off' | 'delaySamples'): Slots =>
  slots.map((slot) => {
    if (slot?.kind !== 'hardware' || slot.job !== job) return slot;
    const { [field]: _field, ...rest } = slot;
    return rest;
  });

/**
 * Turns what a job sends and what comes back: by the trims of the slot, or, on a host that has none, by a gain plug-in before
 * it and one behind.
 * @returns undefined where the track has no slots left for those.
 */
export function withTrims(
  slots: Slots,
  job: JobId,
  { sendTrimDb, returnTrimDb }: JobTrims,
  hasTrims: boolean,
): Slots | undefined {
  const bare = hardwareChanged(withoutGains(slots, job), job, { sendTrimDb: 0, returnTrimDb: 0 });
  if (hasTrims) return hardwareChanged(bare, job, { sendTrimDb, returnTrimDb });
  if (sendTrimDb === 0 && returnTrimDb === 0) return bare;
  const own = bare.findIndex((slot) => slot?.kind === 'hardware' && slot.job === job);
  const [before, behind] = [bare.slice(0, own), bare.slice(own + 1)];
  // An empty slot beside it is used up before others are pushed on.
  if (before.at(-1) === null) before.pop();
  if (behind[0] === null) behind.shift();
  const now = [
    ...before,
    gain(TO_UNIT, sendTrimDb, job),
    ...bare.slice(own, own + 1),
    gain(FROM_UNIT, returnTrimDb, job),
    ...behind,
  ];
  return now.length > MOST_SLOTS ? undefined : now;
}
