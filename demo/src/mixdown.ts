import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { addThreadsEdits } from '@ft/core/actions/track/threadEdits';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editAdd, editKnob } from '@ft/core/edits/make';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import { readTracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { knobReader } from '@ft/core/rig/buildDevice';
import type { DeviceId } from '@ft/core/rig/ids';
import { settingKeyOf } from '@ft/core/rig/settings';
import { workedScene } from '@ft/core/scene/workedScene';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import type { Thread } from '@ft/core/session/sessionSchema';
import { sessionSchema, threadSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { JOBS, MIX_LIST } from './mixList';

export const MIX_PLACE = { session: 'reel-1-mix', scene: 'mix' } as ScenePlace;

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok)
    throw new Error(`the mix of the demo does not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

/** The mix of the first reel: a session of its own on the same rig, as one would save it beside the recordings. */
const mixSession = sessionSchema.parse({
  ...{
    id: MIX_PLACE.session,
    name: 'The Lamplighter’s Ledger, reel 1 mix',
    sampleRateHz: 48_000,
    wordLengthBits: 24,
  },
  ...{ bufferSamples: 128, lineUp: { dbfs: -18, dbu: 4 }, panLawDb: -4.5, host: 'daw', threads: [] },
  hostProfile: {
    ...{ insertPairs: 'strict', trims: true, insertDelay: 'typed in', compensates: true },
    ...{ reusePair: true, insertsAtSmallBuffer: true },
  },
  scenes: [{ id: MIX_PLACE.scene, name: 'Mix', cords: [], settings: {} }],
  waivers: [],
  mix: { lengthS: 1110 },
});

function withTracks(studio: Studio): Studio {
  const session = findScene(studio, MIX_PLACE)?.session;
  if (session === undefined) return studio;
  const read = readTracksCsv(MIX_LIST, session);
  if (!read.ok) throw new Error(read.problems.map(csvProblemLine).join('\n'));
  return changed(studio, read.edits);
}

/** The sum comes back to the inputs of the print track. */
const PRINT: readonly Thread[] = ['left', 'right'].map((side, i) =>
  threadSchema.parse({
    ...{ id: `print-${side}`, number: i + 1, purpose: 'print', performer: '', source: `Mix ${side}` },
    ...{
      from: `16-way-summing-mixer/out-${side}/1`,
      inserts: [],
      trackName: 'PRINT',
      scenes: [MIX_PLACE.scene],
    },
    pins: { 'daw-input': `daw/input-${String(23 + i)}` },
    ...(i === 1 && { link: { lead: 'print-left', place: 2 } }),
  }),
);

function did(studio: Studio, deed: JobDeed): Studio {
  const found = findScene(studio, MIX_PLACE);
  if (found === undefined) return studio;
  const context = workedScene(studio.rig, found.session, found.scene, studio.floor);
  const plan = jobDeed({ studio, place: MIX_PLACE, context }, deed);
  const [refused] = plan.refused;
  if (refused !== undefined) throw new Error(`${refused.row}: ${refused.sentence}`);
  return changed(studio, plan.edits);
}

const DESK = 'split-console' as DeviceId;
/** The channel of the split console the pedal comes back by, and what it lacks to be as loud as it went out, dB. */
const PEDAL_RETURN = { channel: 9, moreDb: 12 };

function withPedalGain(studio: Studio): Studio {
  const scene = findScene(studio, MIX_PLACE)?.scene;
  const desk = studio.rig.devices.find(({ id }) => id === DESK);
  if (scene === undefined || desk === undefined) return studio;
  const { channel, moreDb } = PEDAL_RETURN;
  const gainDb = Number(knobReader(desk, scene.settings)('gainDb', channel));
  const key = settingKeyOf(DESK, 'gainDb', channel);
  return changed(studio, [
    editKnob(MIX_PLACE, { key, value: gainDb + moreDb, was: scene.settings[key] ?? null }),
  ]);
}

/** The demo with the mix of its first reel beside the recordings. */
export function withMixdown(studio: Studio): Studio {
  const tracks = withTracks(changed(studio, [editAdd('session', {}, mixSession)]));
  const printed = changed(tracks, addThreadsEdits(tracks, MIX_PLACE, PRINT));
  return withPedalGain(JOBS.reduce((now, text) => did(now, { does: 'add-job', text }), printed));
}
