import type { JobId } from '../rig/ids';
import type { Slot, Track } from '../session/daw/trackSchema';

/** What a job turns before its unit and behind it, dB. */
export interface JobTrims {
  readonly sendTrimDb: number;
  readonly returnTrimDb: number;
}

/** What a job turns now: by the trims of its slot, and by gain plug-ins beside it. */
export function jobTrims(slots: Track['inserts'], job: JobId): JobTrims {
  const own = slots.findIndex((slot) => slot?.kind === 'hardware' && slot.job === job);
  const slot = slots[own];
  const [before, behind] = [slots[own - 1], slots[own + 1]];
  const gainOf = (each: Slot | null | undefined): number =>
    each?.kind === 'plugin' && each.job === job ? (each.gainDb ?? 0) : 0;
  const trims = slot?.kind === 'hardware' ? slot : { sendTrimDb: 0, returnTrimDb: 0 };
  return {
    sendTrimDb: trims.sendTrimDb + gainOf(before),
    returnTrimDb: trims.returnTrimDb + gainOf(behind),
  };
}
