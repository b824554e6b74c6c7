import { cuesIn } from '../../cues/cuesIn';
import type { Scene, Session } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';
import type { Log } from '../../takes/applyOps';
import { noteText } from '../../takes/labels';
import { tracksOf } from '../../takes/newRows';
import { noteLines } from './logLines';

/** What one performer hears again to judge it: over which cue, which tracks alone, and where. */
export interface HearAgain {
  readonly performer: string;
  /** Cues that their headphones are on; empty where they have none. */
  readonly cues: readonly string[];
  readonly tracks: readonly string[];
  readonly places: readonly { readonly time: string; readonly text: string }[];
  /** What to do, in a sentence. */
  readonly says: string;
}

/** The places of a take, for everybody who played in it: only their tracks, only to them. */
export function hearAgain(session: Session, scene: Scene, log: Log, takeId: string): readonly HearAgain[] {
  const take = log.get(takeId);
  if (take?.kind !== 'take') return [];
  const places = noteLines(log, takeId).map(({ note, time }) => ({ time, text: noteText(note) }));
  return take.performers.map((performer): HearAgain => {
    const headphones = session.performers.find(({ name }) => name === performer)?.headphones;
    const cues = cuesIn(session, scene)
      .filter((cue) => cue.headphones.some(({ id }) => id === headphones))
      .map(({ name }) => name);
    const tracks = tracksOf(threadsIn(session, scene), [performer]);
    const over = cues.length === 0 ? 'the control room' : `the cue ${cues.join(', ')}`;
    return {
      ...{ performer, cues, tracks, places },
      says: `Play ${tracks.join(', ') || 'their tracks'} alone to ${performer}, over ${over}; everybody else hears nothing.`,
    };
  });
}
