import type { LaneId } from '../rig/ids';
import type { Lane } from './signalGraph';

/** What the parts of the compiler look up once lanes are numbered. */
export interface LaneLookup {
  readonly sampleRateHz: number;
  readonly lanes: readonly Lane[];
  readonly laneIndex: ReadonlyMap<LaneId, number>;
}
