import { newTrainee } from '@ft/core/actions/playback/trainees';
import { setUpPlayback } from '@ft/core/actions/playback/setUpPlayback';
import type { ChannelEntry } from '@ft/core/actions/consoles/channelPlan';
import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import { newSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { addThreadEdits } from '@ft/core/actions/track/threadEdits';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editAdd, editKnob, editSet } from '@ft/core/edits/make';
import type { DeviceId, PlaybackCheckId } from '@ft/core/rig/ids';
import type { SettingKey } from '@ft/core/rig/settings';
import { settingKeyOf } from '@ft/core/rig/settings';
import { workedScene } from '@ft/core/scene/workedScene';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';

const DESK = 'kiln-desk' as DeviceId;
const RECORDER = 'kiln-recorder' as DeviceId;
const STAGEBOX = 'kiln-stagebox' as DeviceId;

/** Who stands in the Kiln, each at an input of the stagebox: level at the microphone, gain, place in the picture. */
const STAGE = [
  {
    who: 'Brannoc Teale',
    source: 'Vibraphone left',
    mic: 'small-condenser-2',
    spl: 90,
    gainDb: 32,
    pan: 'L60',
  },
  {
    who: 'Brannoc Teale',
    source: 'Vibraphone right',
    mic: 'small-condenser-3',
    spl: 90,
    gainDb: 32,
    pan: 'R60',
  },
  { who: 'Wen Askelby', source: 'Harp', mic: 'small-condenser-1', spl: 84, gainDb: 36, pan: 'L30' },
  {
    who: 'Saskia Orrel',
    source: 'Bass clarinet',
    mic: 'figure-eight-condenser',
    spl: 88,
    gainDb: 34,
    pan: 'L15',
  },
  { who: 'Mattis Quill', source: 'Harmonium', mic: 'stage-dynamic-1', spl: 86, gainDb: 48, pan: 'R15' },
  { who: 'Nell Farrow', source: 'Frame drums', mic: 'drum-dynamic', spl: 96, gainDb: 38, pan: 'C' },
  { who: 'Joss Verrill', source: 'Lamplighter', mic: 'stage-dynamic-2', spl: 94, gainDb: 40, pan: 'L10' },
  { who: 'Aud Pellow', source: 'Ferry keeper', mic: 'short-ribbon', spl: 90, gainDb: 48, pan: 'R10' },
  { who: 'Tamsin Rook', source: 'Foley left', mic: 'long-ribbon', spl: 80, gainDb: 52, pan: 'L40' },
  { who: 'Jory Askam', source: 'Foley right', mic: 'boundary-condenser-2', spl: 78, gainDb: 40, pan: 'R40' },
  { who: '', source: 'Room', mic: 'boundary-condenser-1', spl: 82, gainDb: 36, pan: 'C' },
] as const;

/** Ids are made of names, and these stand behind those of Tracking. */
const BASE = 'Tracking kiln rehearsal';
const NAMES: Readonly<Record<string, string>> = {
  [BASE]: 'Kiln rehearsal',
  [`${BASE}, playback`]: 'Kiln rehearsal, playback',
  [`${BASE}, off by one`]: 'Kiln rehearsal, off by one',
  [`${BASE}, trainee`]: 'Trainee Perrin',
};

const CHANNELS = 16;
const FIRST_NUMBER = 41;
/** The condensers among them. */
const POWERED = new Set([
  'small-condenser-1',
  'small-condenser-2',
  'small-condenser-3',
  'figure-eight-condenser',
  'boundary-condenser-1',
  'boundary-condenser-2',
]);

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok)
    throw new Error(`the rehearsal of the demo does not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

function at(studio: Studio, place: ScenePlace) {
  const found = findScene(studio, place);
  if (found === undefined) throw new Error('the demo has no such scene');
  return { studio, place, context: workedScene(studio.rig, found.session, found.scene, studio.floor) };
}

const numbers = Array.from({ length: CHANNELS }, (_, i) => i + 1);

function withLines(studio: Studio, place: ScenePlace): Studio {
  return STAGE.reduce((now, { who, source, mic, spl }, i) => {
    const thread = threadSchema.parse({
      ...{ id: `line-${String(FIRST_NUMBER + i)}`, number: FIRST_NUMBER + i, purpose: 'feed' },
      ...{ performer: who, source, from: `${mic}/out/1`, to: `${STAGEBOX}/mic-${String(i + 1)}/1` },
      ...{ levelDbSpl: spl, crestDb: 16, trackName: '', inserts: [], pins: {}, scenes: [place.scene] },
    });
    return changed(now, addThreadEdits(now, place, thread));
  }, studio);
}

/** Each channel at its input, in the mix; the last five stand open for whoever comes. */
function withChannels(studio: Studio, place: ScenePlace): Studio {
  const cells = numbers.flatMap((n): ChannelEntry[] => {
    const row = `channel-${String(n)}`;
    const line = STAGE[n - 1];
    return [
      { row, column: 'source', text: `card in ${String(n)}` },
      ...(line === undefined
        ? []
        : [
            { row, column: 'gain', text: String(line.gainDb) },
            { row, column: 'phantom', text: POWERED.has(line.mic) ? 'on' : 'off' },
            { row, column: 'pan', text: line.pan },
            { row, column: 'toMix', text: 'on' },
          ]),
    ];
  });
  return changed(studio, plannedCells({ ...at(studio, place), device: DESK }, cells).edits);
}

const knob = (studio: Studio, place: ScenePlace, key: SettingKey, value: number): Studio =>
  changed(studio, [
    editKnob(place, { key, value, was: findScene(studio, place)?.scene.settings[key] ?? null }),
  ]);

/** What was turned while the recording played: a gain that did nothing, a trim that did, and a fader of a trainee. */
function practised(studio: Studio, playback: ScenePlace, check: PlaybackCheckId): Studio {
  const gained = knob(studio, playback, settingKeyOf(STAGEBOX, 'gainDb', 3), 40);
  const trimmed = knob(gained, playback, settingKeyOf(DESK, 'trimDb', 5), 3);
  const trained = changed(trimmed, newTrainee(at(trimmed, playback), check, `${BASE}, trainee`).edits);
  const scene = trained.sessions
    .find(({ id }) => id === playback.session)
    ?.scenes.find(({ trains }) => trains === playback.scene);
  if (scene === undefined) throw new Error('the demo has no trainee');
  const own = { ...playback, scene: scene.id };
  return knob(
    knob(trained, own, settingKeyOf(DESK, 'faderDb', 6), -8),
    own,
    settingKeyOf(DESK, 'faderDb', 3),
    4,
  );
}

/** A second scene whose channels all listen one lane too far: what somebody copied by hand. */
function shifted(studio: Studio, live: ScenePlace, playback: ScenePlace): Studio {
  const made = newSceneEdits(studio, live, `${BASE}, off by one`, 'branch');
  const right = findScene(studio, playback)?.scene;
  if (made === undefined || right === undefined) throw new Error('the demo has no rehearsal');
  const there = changed(studio, made.edits);
  const place = { ...live, scene: made.id };
  const moved = numbers.reduce((now, n) => {
    const key = settingKeyOf(DESK, 'channelSource', n);
    return knob(now, place, key, Number(right.settings[key]) + 1);
  }, there);
  const calm = numbers.reduce((now, n) => {
    const key = settingKeyOf(RECORDER, 'recordArm', n);
    const was = findScene(now, place)?.scene.settings[key] ?? null;
    return was === null ? now : changed(now, [editKnob(place, { key, value: null, was })]);
  }, moved);
  return changed(calm, [
    editAdd(
      'playbackCheck',
      { session: live.session },
      {
        ...{
          id: 'shifted-copy' as PlaybackCheckId,
          name: 'Copied by hand',
          console: DESK,
          recorder: RECORDER,
        },
        ...{ channels: numbers.map((n) => `channel-${String(n)}`), live: live.scene, playback: made.id },
      },
    ),
  ]);
}

/** The Kiln desk with a recorded rehearsal: sixteen channels, one check that holds and one that is off by a track. */
export function withRehearsal(studio: Studio, place: ScenePlace): Studio {
  const made = newSceneEdits(studio, place, BASE, 'empty');
  if (made === undefined) throw new Error('the demo has no scene to begin with');
  const live = { ...place, scene: made.id };
  const stage = withChannels(withLines(changed(studio, made.edits), live), live);
  const set = setUpPlayback(at(stage, live), {
    ...{ name: 'Rehearsal', console: DESK, recorder: RECORDER, first: 1 },
    channels: numbers.map((n) => `channel-${String(n)}`),
  });
  if (set.playback === undefined || set.refused.length > 0)
    throw new Error(set.refused.map(({ sentence }) => sentence).join(' '));
  const playback: ScenePlace = { ...live, scene: set.playback };
  const recorded = changed(stage, set.edits);
  return named(shifted(practised(recorded, playback, set.id), live, playback), live);
}

/** The scenes by their names. */
function named(studio: Studio, { session }: ScenePlace): Studio {
  const scenes = studio.sessions.find(({ id }) => id === session)?.scenes ?? [];
  return changed(
    studio,
    scenes.flatMap(({ id, name: was }) => {
      const value = NAMES[was];
      return value === undefined ? [] : [editSet('scene', { session }, id, { field: 'name', value, was })];
    }),
  );
}
