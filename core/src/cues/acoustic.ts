import { TYPICAL_ISOLATION_DB } from './spillModel';
import type { CueHeadphones } from '../session/cueSchema';
import type { Performer } from '../session/performerSchema';
import type { Device } from '../rig/rigSchema';
import type { Session, Scene } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';

/** How far ears are from what is played, where nobody said. Common practice, no source. */
export const USUAL_EAR_DISTANCE_M = 0.5;

export const buildOf = ({ params }: Device): 'open' | 'closed' =>
  params['build'] === 'open' ? 'open' : 'closed';

/** What the headphones keep out and in, dB: as assumed for this pair, else as usual for the build. */
export const isolationDbOf = (device: Device, pair: CueHeadphones | undefined): number =>
  pair?.isolationDb ?? TYPICAL_ISOLATION_DB[buildOf(device)];

/**
 * What performers hear of their own instrument through the air, dB SPL: from the microphone that takes it loudest, by
 * inverse distance to their ears, less what the headphones keep out. Undefined where no distance is said.
 */
export function acousticDbSpl(
  session: Session,
  scene: Scene,
  { name, earDistanceM = USUAL_EAR_DISTANCE_M }: Performer,
  isolationDb: number,
): number | undefined {
  const levels = threadsIn(session, scene).flatMap(({ performer, levelDbSpl, distanceM }) =>
    performer === name && levelDbSpl !== undefined && distanceM !== undefined && distanceM > 0
      ? [levelDbSpl + 20 * Math.log10(distanceM / earDistanceM)]
      : [],
  );
  return levels.length === 0 ? undefined : Math.max(...levels) - isolationDb;
}
