import type { SceneId, SessionId } from '../rig/ids';
import { FIRST_PROFILE } from './daw/hostProfile';
import { PREFERENCE_ORDER } from './preferences';
import type { Session } from './sessionSchema';

/** The usual rate, buffer and line-up. Common practice, no source. */
const USUAL: Omit<Session, 'id' | 'name'> = {
  sampleRateHz: 48_000,
  wordLengthBits: 24,
  bufferSamples: 64,
  lineUp: { dbfs: -18, dbu: 4 },
  threads: [],
  scenes: [{ id: 'tracking' as SceneId, name: 'Tracking', cords: [], settings: {} }],
  waivers: [],
  routing: [...PREFERENCE_ORDER],
  hostProfile: FIRST_PROFILE,
  panLawDb: -3,
  buses: [],
  tracks: [],
  performers: [],
  cues: [],
  playbackChecks: [],
  jobs: [],
  sums: [],
  readings: [],
  consoleViews: [],
  headroomDb: 6,
  hearingTable: 'niosh',
};

/**
 * A session with nothing in it and one scene.
 * @param like one of the same rooms: rate, line-up, host and what else belongs to the house are as there.
 */
export function emptySession(id: SessionId, name: string, like?: Session): Session {
  if (like === undefined) return { id, name, ...USUAL };
  const { threads, scenes, waivers, buses, tracks, performers, cues, playbackChecks, jobs, sums, readings } =
    USUAL;
  const { date: _date, goesLive: _live, archived: _away, template: _template, ...house } = like;
  return {
    ...{ ...house, id, name, threads, scenes, waivers, buses },
    ...{ tracks, performers, cues, playbackChecks, jobs, sums, readings },
  };
}
