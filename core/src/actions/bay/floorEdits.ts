import type { Edit } from '../../edits/make';
import { editAdd, editFloorKnob, editFloorScene, editRemove } from '../../edits/make';
import { drainId } from '../../repatch/draining';
import { turnsBetween } from '../../repatch/knobs';
import type { StockId } from '../../rig/ids';
import type { CordStep, Step, WantedCord } from '../../repatch/step';
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

/** What ticking a step changes on the floor; nothing where the step has nothing to take back yet. */
export function tickEdits(studio: Studio, place: ScenePlace | null, step: Step): readonly Edit[] {
  const edits = stepEdits(studio.floor, step);
  return edits.length === 0 ? [] : [...edits, ...towards(studio, place)];
}

/** Says that a scene is on the floor as it is, without going through the steps: somebody did it before. */
export function onFloorEdits(studio: Studio, place: ScenePlace | null, scene: Scene): readonly Edit[] {
  const { rig, floor } = studio;
  const isSame = (cord: FloorCord, wanted: WantedCord): boolean =>
    cord.id === wanted.from &&
    cord.to === wanted.to &&
    cord.fromAdaptor === wanted.fromAdaptor &&
    cord.toAdaptor === wanted.toAdaptor;
  return [
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
}
