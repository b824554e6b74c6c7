import type { Lane } from '../graph/signalGraph';
import { microphoneDbu } from '../units/soundLevel';

/** Full scale. Values beyond it exist only inside a floating-point host. */
const FULL_SCALE_DBFS = 0;

/** The greatest level of a lane, a sine, in its unit; undefined where it is not known. */
export function maxLevel({ medium, microphone, output, input }: Lane): number | undefined {
  if (medium === 'digital') return FULL_SCALE_DBFS;
  if (microphone?.maxDbSpl !== undefined)
    return microphoneDbu(microphone.sensitivityDbu, microphone.maxDbSpl);
  return output?.maxDbu ?? input?.maxDbu;
}
