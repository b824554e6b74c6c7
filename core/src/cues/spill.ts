import type { WorkedScene } from '../scene/workedScene';
import type { DeviceId, ThreadId } from '../rig/ids';
import { deviceIdIn } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import { buildOf, isolationDbOf } from './acoustic';
import type { Ear } from './ear';
import {
  spillDbSpl,
  TYPICAL_COUPLING_LOSS_DB,
  TYPICAL_OTHER_DISTANCE_M,
  TYPICAL_OWN_DISTANCE_M,
} from './spillModel';

/** What of a pair of headphones reaches an open microphone, with everything that was assumed. */
export interface Spill {
  readonly microphone: DeviceId;
  readonly thread: ThreadId;
  readonly distanceM: number;
  /** Isolation of the build when they are worn, loss of coupling when they lie about. */
  readonly lossDb: number;
  readonly isLying: boolean;
  readonly isOpen: boolean;
  /** What of it was typed in. */
  readonly said: readonly ('microphone' | 'distance' | 'loss')[];
  /** Of the click, and of everything, at the microphone. */
  readonly clickDbSpl?: number;
  readonly sumDbSpl?: number;
  /** What the microphone is there for. */
  readonly sourceDbSpl?: number;
  /** How far the click lies under it. */
  readonly marginDb?: number;
}

/** The open microphones of the room the headphones are in. */
const openMicrophones = ({ session, scene, devices }: WorkedScene, { headphones }: Ear): readonly Thread[] =>
  threadsIn(session, scene).filter(({ from }) => {
    const device = devices.get(deviceIdIn(from));
    return device?.type === 'microphone' && device.room === headphones.room;
  });

/** The one the pair is held against: as chosen, else of the open ones the one whose source is softest. */
function microphoneFor(context: WorkedScene, ear: Ear): Thread | undefined {
  const open = openMicrophones(context, ear);
  const chosen = open.find(({ from }) => deviceIdIn(from) === ear.pair?.microphone);
  if (chosen !== undefined) return chosen;
  const level = ({ levelDbSpl = Infinity }: Thread): number => levelDbSpl;
  return open.reduce<Thread | undefined>(
    (least, thread) => (least === undefined || level(thread) < level(least) ? thread : least),
    undefined,
  );
}

/** Undefined where no microphone is open in the room of the headphones. */
export function spillOf(context: WorkedScene, ear: Ear): Spill | undefined {
  const thread = microphoneFor(context, ear);
  if (thread === undefined) return undefined;
  const { pair, headphones, isLying } = ear;
  const isOwn = thread.performer === ear.performer?.name;
  const distanceM =
    pair?.distanceM ?? (isOwn && !isLying ? TYPICAL_OWN_DISTANCE_M : TYPICAL_OTHER_DISTANCE_M);
  const said = isLying ? pair?.couplingLossDb : pair?.isolationDb;
  const lossDb = isLying ? (said ?? TYPICAL_COUPLING_LOSS_DB) : isolationDbOf(headphones, pair);
  const at = (level: number | undefined): number | undefined =>
    level === undefined ? undefined : spillDbSpl(level, lossDb, distanceM);
  const [click, sum] = [at(ear.clickDbSpl), at(ear.sumDbSpl)];
  const source = thread.levelDbSpl;
  return {
    ...{ microphone: deviceIdIn(thread.from), thread: thread.id, distanceM, lossDb, isLying },
    isOpen: buildOf(headphones) === 'open',
    said: [
      ...(pair?.microphone === deviceIdIn(thread.from) ? (['microphone'] as const) : []),
      ...(pair?.distanceM !== undefined ? (['distance'] as const) : []),
      ...(said !== undefined ? (['loss'] as const) : []),
    ],
    ...(click !== undefined && { clickDbSpl: click }),
    ...(sum !== undefined && { sumDbSpl: sum }),
    ...(source !== undefined && { sourceDbSpl: source }),
    ...(click !== undefined && source !== undefined && { marginDb: source - click }),
  };
}
