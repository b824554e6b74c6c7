import type { Lane } from '../graph/signalGraph';
import { isAnalogue } from '../rig/medium';
import { airDelayMs } from '../units/air';
import { samplesFromMs } from '../units/duration';
import { microphoneDbu } from '../units/soundLevel';

/** What is known of a source: of a microphone the sound that reaches it, of an output what it carries. */
export interface SourceLevel {
  readonly levelDbSpl?: number;
  readonly levelDbu?: number;
  readonly levelDbfs?: number;
  readonly crestDb?: number;
  readonly distanceM?: number;
}

/** The level a source has at its own lane, in the unit of that lane; undefined where nobody said. */
export function startLevel(lane: Lane, source: SourceLevel): number | undefined {
  if (lane.microphone !== undefined)
    return source.levelDbSpl === undefined
      ? undefined
      : microphoneDbu(lane.microphone.sensitivityDbu, source.levelDbSpl);
  return isAnalogue(lane.medium) ? source.levelDbu : source.levelDbfs;
}

/** How late the sound is when it reaches the microphone. */
export const airSamples = ({ distanceM = 0 }: SourceLevel, sampleRateHz: number): number =>
  samplesFromMs(airDelayMs(distanceM), sampleRateHz);
