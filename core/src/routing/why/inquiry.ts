import type { ThreadId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import type { Board } from '../solve/board';
import type { Demand } from '../solve/demand';
import type { Way } from '../solve/way';

/** The fewest held places, when the question is which of them stand in the way. */
export const ASKING = { perConflict: 1e8, everyHeldPlace: true } as const;

/** What a search for the reason looks at. */
export interface Inquiry {
  readonly rig: Rig;
  readonly session: Session;
  readonly scene: Scene;
  readonly board: Board;
  readonly threads: readonly Thread[];
  readonly thread: Thread;
  readonly demand: Demand;
  /** The demands of all sides of the wide thread it is a side of; itself alone otherwise. */
  readonly sides: readonly Demand[];
  /** Whether to look for what would free a way; it takes a search for every thread that stands in it. */
  readonly seeksRemedy: boolean;
  /** Which thread has which way. */
  readonly ways: ReadonlyMap<ThreadId, Way>;
}
