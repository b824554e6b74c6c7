import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import { channelRows, hasChannels } from '../../playback/channelFeed';
import { checkUp } from '../../playback/checkUp';
import { checkFaults } from '../../playback/checkFaults';
import type { RecorderTrack } from '../../playback/recorderTracks';
import { canRecord, recorderTracks } from '../../playback/recorderTracks';
import { reach } from '../../graph/reach';
import type { PlaybackCheckId, SceneId } from '../../rig/ids';
import { idFromName, laneIdOf } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import type { SettingKey, SettingValue } from '../../rig/settings';
import { playbackCheckSchema } from '../../session/playbackSchema';
import { faultSentence } from '../../words/playback/faultSentence';
import { unplacedSentence } from '../../words/playback/unplacedSentence';
import type { ChannelPlan } from '../consoles/channelPlan';
import { newSceneEdits } from '../scenes/sceneEdits';
import { SettingUp } from '../settingUp';
import type { WorkPlace } from '../workPlace';
import { armedEdits } from './armedEdits';
import { draggedAlong } from './draggedAlong';
import { knobTurn } from './knobTurn';
import { madeTracks } from './madeTracks';
import type { Placed, RecorderPlace } from './placing';
import { isPlaced, placing } from './placing';
import { recorderSwitches } from './recorderSwitch';
import type { PlaybackWish } from './wishes';

/** A playback check set up, and the scene in which the recorder plays. */
export interface PlaybackSetUp extends ChannelPlan {
  readonly id: PlaybackCheckId;
  readonly playback?: SceneId;
}

interface Gear {
  readonly console: Device;
  readonly recorder: Device;
}

function gearOf({ context: { devices } }: WorkPlace, wish: PlaybackWish): Gear | string {
  const [console, recorder] = [devices.get(wish.console), devices.get(wish.recorder)];
  if (console === undefined || !hasChannels(console))
    return 'Choose a console: a device with channels that can listen to more than one thing.';
  if (recorder === undefined || !canRecord(recorder))
    return 'Choose what records: the host of the session, or a multitrack recorder.';
  return { console, recorder };
}

/** What keeps a check from being set up at all, as a sentence. */
function refusal({ context }: WorkPlace, wish: PlaybackWish, { recorder }: Gear): string | undefined {
  const { session, scene } = context;
  const name = wish.name.trim().toLowerCase();
  if (name === '') return 'A playback check needs a name.';
  if (session.playbackChecks.some((check) => check.name.toLowerCase() === name))
    return `There is a playback check called “${wish.name.trim()}” already. Give this one a name of its own.`;
  if (wish.channels.length === 0) return 'Choose the channels that are to be recorded.';
  if (recorder.type === 'dawHost' && session.host !== recorder.id)
    return `${recorder.name} is not the host of this session. Choose it under Mix, Tracks first.`;
  return session.playbackChecks.some(({ playback }) => playback === scene.id)
    ? 'This scene plays back already. Go to its live scene to set another check up.'
    : undefined;
}

/** Turns knobs in one scene, and says what each comes to. */
function turn(
  up: SettingUp,
  scene: SceneId,
  knobs: ReadonlyMap<SettingKey, SettingValue>,
  isSaid = true,
): void {
  const turns = [...knobs].map(([key, value]) => knobTurn(up.it, scene, key, value));
  up.make(turns.flatMap(({ edits }) => edits));
  if (isSaid) up.changes.push(...turns.flatMap(({ change }) => change ?? []));
}

/** What may be given out: tracks from the first one on, or inputs of the host with the outputs of their number. */
function placesFrom({ context }: WorkPlace, recorder: Device, first: number): readonly RecorderPlace[] {
  if (recorder.type !== 'dawHost')
    return recorderTracks(context, recorder).filter(({ number }) => number >= first);
  const places: RecorderPlace[] = [];
  for (let number = first; ; number++) {
    const [record, play] = ['input', 'output'].map((port) =>
      context.graph.laneIndex.get(laneIdOf(recorder.id, port, number)),
    );
    if (record === undefined || play === undefined) return places;
    places.push({ number, name: `input ${String(number)}`, record, play });
  }
}

/** The tracks that record at some places: of a host made where there is none, each after its line. */
function tracksAt(
  up: SettingUp,
  { console, recorder }: Gear,
  placed: readonly Placed[],
): readonly RecorderTrack[] {
  if (recorder.type === 'dawHost')
    for (const { track, edits } of madeTracks(up.it.context, console, placed)) {
      const n = track.input.from === 'host' ? String(track.input.first) : '';
      if (up.make(edits)) up.say(recorder.name, 'new track', `${track.name}, input and output ${n}`);
    }
  const { context } = up.it;
  const inputs = new Set(placed.map(({ place }) => context.graph.lanes[place.record]?.id));
  return recorderTracks(context, recorder).filter(({ record }) =>
    [...reach(context.graph, [record], 'to')].some((lane) => inputs.has(context.graph.lanes[lane]?.id)),
  );
}

const tapsOf = (placed: readonly Placed[]): ReadonlyMap<SettingKey, SettingValue> =>
  new Map(placed.flatMap(({ tap }) => (tap === undefined ? [] : [[tap.key, tap.value] as const])));
const backsOf = (placed: readonly Placed[]): ReadonlyMap<SettingKey, SettingValue> =>
  new Map(placed.map(({ back }) => [back.key, back.value]));

/** A name no scene has yet. */
function sceneName({ context: { session, scene } }: WorkPlace): string {
  const taken = new Set(session.scenes.map(({ name }) => name.toLowerCase()));
  const base = `${scene.name}, playback`;
  for (let n = 1; ; n++) {
    const name = n === 1 ? base : `${base} ${String(n)}`;
    if (!taken.has(name.toLowerCase())) return name;
  }
}

/** The scene that follows, in which the recorder plays into the channels and records nothing. */
function playbackScene(
  up: SettingUp,
  { recorder }: Gear,
  placed: readonly Placed[],
  tracks: readonly RecorderTrack[],
): SceneId | undefined {
  const name = sceneName(up.it);
  const made = newSceneEdits(up.it.studio, up.it.place, name, 'branch');
  if (made === undefined || !up.make(made.edits)) return undefined;
  up.say('Scenes', 'new scene', `${name}, which follows ${up.it.context.scene.name}`);
  turn(up, made.id, backsOf(placed));
  up.make(armedEdits(up.it, made.id, recorder, tracks, false));
  return made.id;
}

/** The record tap in the live scene, the tracks armed there, and nothing of a channel’s processing on the way. */
function tap(up: SettingUp, gear: Gear, placed: readonly Placed[], tracks: readonly RecorderTrack[]): void {
  const live = up.it.place.scene;
  turn(up, live, tapsOf(placed));
  const armed: readonly Edit[] = armedEdits(up.it, live, gear.recorder, tracks, true);
  if (armed.length > 0 && up.make(armed))
    up.say(gear.recorder.name, 'armed', tracks.map(({ name }) => name).join(', '));
}

/**
 * Sets a playback check up in one step: the same sources, in the same order, to the tracks of the recorder, before
 * anything is done to them; the scene itself stays live and records, and one that follows it plays back. Nothing is
 * done where no channel can be: each that cannot is told, with what is in its way.
 */
export function setUpPlayback(it: WorkPlace, wish: PlaybackWish): PlaybackSetUp {
  const taken = new Set(it.context.session.playbackChecks.map((check) => check.id));
  const id = idFromName(wish.name, taken, 'check') as PlaybackCheckId;
  const up = new SettingUp(it);
  const nothing = (sentence?: string): PlaybackSetUp => ({
    ...{ id, edits: [], changes: [] },
    refused:
      sentence === undefined ? up.refused : [{ at: 0, row: wish.name.trim(), column: 'check', sentence }],
  });
  const gear = gearOf(it, wish);
  if (typeof gear === 'string') return nothing(gear);
  const why = refusal(it, wish, gear);
  if (why !== undefined) return nothing(why);
  turn(up, it.place.scene, recorderSwitches(it.context, gear.recorder));
  const placed = placedChannels(up, gear, wish);
  if (placed.length === 0) return nothing();
  const tracks = tracksAt(up, gear, placed);
  tap(up, gear, placed, tracks);
  const playback = playbackScene(up, gear, placed, tracks);
  if (playback === undefined) return nothing('The scene for playback cannot be made beside this one.');
  const check = playbackCheckSchema.parse({
    ...{ id, name: wish.name.trim(), console: wish.console, recorder: wish.recorder },
    ...{ channels: placed.map(({ row }) => row.id), live: it.place.scene, playback },
  });
  if (!up.make([editAdd('playbackCheck', { session: it.place.session }, check)]))
    return nothing('It does not go together with the other checks of the session.');
  up.changes.push(...draggedAlong(up.it, gear.console, placed));
  const { rig, session } = up.it.context;
  const found = checkUp(rig, session, check);
  for (const fault of found === undefined ? [] : checkFaults(found))
    up.leaveOut(check.name, 'check', faultSentence(fault, found?.recorder.name ?? ''));
  return { id, playback, edits: up.edits, changes: up.changes, refused: up.refused };
}

/** Each channel on a track; those that cannot be are told. */
function placedChannels(up: SettingUp, { console, recorder }: Gear, wish: PlaybackWish): readonly Placed[] {
  const rows = channelRows(console);
  const wanted = wish.channels.flatMap((row) => rows.find(({ id }) => id === row) ?? []);
  const all = placing(up.it.context, console, wanted, placesFrom(up.it, recorder, wish.first));
  for (const each of all)
    if (!isPlaced(each))
      up.leaveOut(each.row.name, 'track', unplacedSentence(each, console.name, recorder.name));
  return all.filter(isPlaced);
}
