import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { newSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { busCells } from '@ft/core/actions/mix/desk/busCells';
import type { SumCell } from '@ft/core/actions/mix/sums/sumCells';
import { sumCells } from '@ft/core/actions/mix/sums/sumCells';
import { sumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editAdd, editKnob } from '@ft/core/edits/make';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import { readTracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { knobReader } from '@ft/core/rig/buildDevice';
import type { DeviceId, SumId, TrackId } from '@ft/core/rig/ids';
import { settingKeyOf } from '@ft/core/rig/settings';
import { workedScene } from '@ft/core/scene/workedScene';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { sessionSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { CHAMBER, JOBS, MIX_LIST, STEM_SOUNDS, STEMS } from './mixList';

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

function worked(studio: Studio, place = MIX_PLACE): WorkPlace {
  const found = findScene(studio, place);
  if (found === undefined) throw new Error('the demo has no mix');
  const context = workedScene(studio.rig, found.session, found.scene, studio.floor);
  return { studio, place, context };
}

function did(studio: Studio, plan: ChannelPlan): Studio {
  const [refused] = plan.refused;
  if (refused !== undefined) throw new Error(`${refused.row}: ${refused.sentence}`);
  return changed(studio, plan.edits);
}

const withJob = (studio: Studio, text: string): Studio =>
  did(studio, jobDeed(worked(studio), { does: 'add-job', text }));

/** The stems in the school of two mono, and the sum back on the print track. */
function withSum(studio: Studio): Studio {
  const it = worked(studio);
  const idOf = (name: string): TrackId => {
    const track = it.context.session.tracks.find((each) => each.name === name);
    if (track === undefined) throw new Error(`the mix of the demo has no ${name}`);
    return track.id;
  };
  const wish = {
    ...{
      name: 'Reel sum',
      mixers: ['16-way-summing-mixer' as DeviceId],
      school: 'two mono, rest pairs' as const,
    },
    ...{ tracks: STEMS.map(idOf), print: idOf('PRINT') },
  } as const;
  const set = did(studio, sumDeed(it, { does: 'set-up-sum', wish }));
  const [sum] = worked(set).context.session.sums;
  const cells = Object.entries(STEM_SOUNDS).map(([name, text]) => ({
    ...({ sum: sum?.id ?? ('' as SumId), track: idOf(name), field: 'sound', text } as const),
  }));
  const told = changed(set, sumCells(worked(set), cells).edits);
  return did(told, sumDeed(worked(told), { does: 'place-anew', sum: sum?.id ?? ('' as SumId) }));
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

type Cell = Pick<SumCell, 'field' | 'text'> & { readonly name: string };

/** Strings and air go over the first two groups, with an equaliser in them; a compressor is brought up beside the mix. */
function withDeskBuses(studio: Studio, place: ScenePlace): Studio {
  const sum = 'chamber-mix' as SumId;
  const idOf = (name: string): TrackId =>
    worked(studio, place).context.session.tracks.find((track) => track.name === name)?.id ?? ('' as TrackId);
  const stems = (now: Studio, cells: readonly Cell[]): Studio =>
    changed(
      now,
      sumCells(
        worked(now, place),
        cells.map(({ name, field, text }) => ({ sum, track: idOf(name), field, text })),
      ).edits,
    );
  const bus = (now: Studio, column: string, text: string): Studio => {
    const cell = { sum, bus: 'group-1+group-2', name: 'group 1–2', column, text };
    return changed(now, busCells(worked(now, place), [cell]).edits);
  };
  const grouped = stems(
    studio,
    ['STR', 'AIR'].flatMap((name): Cell[] => [
      { name, field: 'desk:groups', text: '1-2' },
      { name, field: 'desk:toMix', text: 'off' },
    ]),
  );
  const mixed = bus(bus(grouped, 'toMix', 'on'), 'unit', 'four-band equaliser A + four-band equaliser B');
  const wish = {
    carrier: { on: 'console' as const, device: DESK, rows: ['cue'] },
    units: 'ducker',
  };
  const parallel = did(mixed, sumDeed(worked(mixed, place), { does: 'parallel-bus', sum, wish }));
  return did(parallel, sumDeed(worked(parallel, place), { does: 'record-channels', sum }));
}

/** The chamber group once more, on the desk: a scene of its own with the same stems, track for track into line inputs. */
function withDeskMix(studio: Studio): Studio {
  const made = newSceneEdits(studio, MIX_PLACE, 'Mix on the desk', 'empty');
  if (made === undefined) return studio;
  const place: ScenePlace = { ...MIX_PLACE, scene: made.id };
  const it = worked(changed(studio, made.edits), place);
  const { tracks } = it.context.session;
  const idsOf = (names: readonly string[]): TrackId[] =>
    names.flatMap((name) => tracks.filter((track) => track.name === name).map(({ id }) => id));
  const [print] = idsOf(['PRINT']);
  const wish = {
    ...{ name: 'Chamber mix', mixers: [DESK], school: 'track for track' as const, tracks: idsOf(CHAMBER) },
    ...(print !== undefined && { print }),
  };
  const set = did(it.studio, sumDeed(it, { does: 'set-up-sum', wish }));
  return withDeskBuses(did(set, jobDeed(worked(set, place), { does: 'bring-up' })), place);
}

/** The demo with the mix of its first reel beside the recordings. */
export function withMixdown(studio: Studio): Studio {
  const tracks = withTracks(changed(studio, [editAdd('session', {}, mixSession)]));
  return withDeskMix(withPedalGain(JOBS.reduce(withJob, withSum(tracks))));
}
