import type { Edit } from '../../edits/make';
import {
  editAdd,
  editFloorKnob,
  editFloorPlayback,
  editFloorScene,
  editRemove,
  editSet,
} from '../../edits/make';
import { applyEdits } from '../../edits/change';
import { floorPlayback } from '../../playback/floorPlayback';
import { arming } from '../../repatch/arming';
import { drainId } from '../../repatch/draining';
import { turnsBetween } from '../../repatch/knobs';
import type { StockId } from '../../rig/ids';
import type { CordStep, Step, WantedCord } from '../../repatch/step';
import type { TrackState } from '../../session/daw/trackState';
import type { Floor, FloorCord } from '../../session/floorSchema';
import type { Scene } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { ScenePlace } from '../../session/scenePlace';

const pull = (cord: FloorCord): Edit => editRemove('plug', {}, cord.id, cord);

const plugged = ({ from, to, fromAdaptor, toAdaptor }: WantedCord, stock: StockId): Edit =>
  editAdd(
    'plug',
    {},
    { id: from, to, stock, ...(fromAdaptor && { fromAdaptor }), ...(toAdaptor && { toAdaptor }) },
  );

const hasPrecaution = (floor: Floor, id: string): boolean =>
  floor.precautions.some((precaution) => precaution.id === id);

const taken = (floor: Floor, ids: readonly string[]): readonly Edit[] =>
  ids.filter((id) => !hasPrecaution(floor, id)).map((id) => editAdd('precaution', {}, { id }));

const takenBack = (floor: Floor, ids: readonly string[]): readonly Edit[] =>
  ids.filter((id) => hasPrecaution(floor, id)).map((id) => editRemove('precaution', {}, id));

/** A cord that is moved stays the cord it is, whatever kind was planned. */
function cordEdits(step: CordStep): readonly Edit[] {
  if (step.kind === 'pull') return [pull(step.cord)];
  if (step.kind === 'move') return [pull(step.cord), plugged(step.becomes, step.cord.stock)];
  return [plugged(step.becomes, step.becomes.stock)];
}

/** How a track of the host is really armed and monitored. */
function trackOnFloor({ trackStates = [] }: Floor, state: TrackState): readonly Edit[] {
  const was = trackStates.find(({ id }) => id === state.id);
  if (was === undefined) return [editAdd('floorTrack', {}, state)];
  const fields = ['recordArm', 'inputMonitor'] as const;
  return fields
    .filter((field) => was[field] !== state[field])
    .map((field) => editSet('floorTrack', {}, state.id, { field, value: state[field], was: was[field] }));
}

function stepEdits(floor: Floor, step: Step): readonly Edit[] {
  switch (step.kind) {
    case 'mute':
      return taken(floor, [step.quiet]);
    case 'open':
      return takenBack(floor, [step.quiet]);
    case 'power-off':
      return [
        ...step.turns.map(editFloorKnob),
        ...taken(
          floor,
          step.turns.map(({ key }) => drainId(key)),
        ),
      ];
    case 'drain':
      return takenBack(floor, step.keys.map(drainId));
    case 'set':
      return [
        ...step.turns.map(editFloorKnob),
        ...takenBack(
          floor,
          step.turns.map(({ key }) => drainId(key)),
        ),
      ];
    case 'disarm':
    case 'arm':
      return step.tracks.flatMap((state) => trackOnFloor(floor, state));
    default:
      return cordEdits(step);
  }
}

/** Says where the floor is going; null is all normals. */
function towards({ floor }: Studio, place: ScenePlace | null): readonly Edit[] {
  const [was, value] = [floor.scene ?? null, place && { session: place.session, scene: place.scene }];
  if (was?.session === value?.session && was?.scene === value?.scene) return [];
  return [editFloorScene(value, was)];
}

/** Tracks of the session before are nobody’s any more. */
function forgotten({ floor }: Studio, place: ScenePlace | null): readonly Edit[] {
  if (place === null || floor.scene?.session === place.session) return [];
  return (floor.trackStates ?? []).map(({ id }) => editRemove('floorTrack', {}, id));
}

/** Since when a recorder plays into a console, once some edits are made. */
function playbackSince(studio: Studio, edits: readonly Edit[], now: string): readonly Edit[] {
  const after = applyEdits(studio, edits);
  if (!after.ok) return edits;
  const was = studio.floor.playbackSince ?? null;
  const plays = floorPlayback(after.value).length > 0;
  if (plays === (was !== null)) return edits;
  return [...edits, editFloorPlayback(plays ? now : null, was)];
}

/**
 * What ticking a step changes on the floor; nothing where the step has nothing to take back yet.
 * @param now the moment it is ticked, ISO 8601.
 */
export function tickEdits(
  studio: Studio,
  place: ScenePlace | null,
  step: Step,
  now: string,
): readonly Edit[] {
  const edits = stepEdits(studio.floor, step);
  return edits.length === 0
    ? []
    : playbackSince(studio, [...forgotten(studio, place), ...edits, ...towards(studio, place)], now);
}

/** Says that a scene is on the floor as it is, without going through the steps: somebody did it before. */
export function onFloorEdits(
  studio: Studio,
  place: ScenePlace | null,
  scene: Scene,
  now: string,
): readonly Edit[] {
  const { rig, floor } = studio;
  const isSame = (cord: FloorCord, wanted: WantedCord): boolean =>
    cord.id === wanted.from &&
    cord.to === wanted.to &&
    cord.fromAdaptor === wanted.fromAdaptor &&
    cord.toAdaptor === wanted.toAdaptor;
  const session = studio.sessions.find(({ id }) => id === place?.session);
  const { disarm, arm } = session === undefined ? { disarm: [], arm: [] } : arming(session, floor, scene);
  const edits = [
    ...forgotten(studio, place),
    ...[...disarm, ...arm].flatMap((step) => stepEdits(floor, step)),
    ...floor.cords.filter((cord) => !scene.cords.some((wanted) => isSame(cord, wanted))).map(pull),
    ...scene.cords
      .filter((wanted) => !floor.cords.some((cord) => isSame(cord, wanted)))
      .map((wanted) => plugged(wanted, wanted.stock)),
    ...turnsBetween(rig, floor.settings, scene.settings).map(editFloorKnob),
    ...takenBack(
      floor,
      floor.precautions.map(({ id }) => id),
    ),
    ...towards(studio, place),
  ];
  return edits.length === 0 ? [] : playbackSince(studio, edits, now);
}
