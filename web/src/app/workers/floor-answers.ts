import type { Edit } from '@ft/core/edits/make';
import { onFloorEdits, tickEdits } from '@ft/core/actions/bay/floorEdits';
import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { CordTick } from '@ft/core/actions/bay/floorTick';
import { tickCord, tickCords } from '@ft/core/actions/bay/floorTick';
import { stepLabel } from '@ft/core/views/bay/stepLabel';
import type { WorkList } from '@ft/core/views/bay/workList';
import type { Target } from '@ft/core/repatch/target';
import { workList } from '@ft/core/views/bay/workList';
import { stepsTo, targetOf } from '@ft/core/repatch/target';
import type { HandPatch } from '@ft/core/actions/bay/handPatch';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import type { DeadJack } from '@ft/core/actions/scenes/deadJack';
import { deadJack } from '@ft/core/actions/scenes/deadJack';
import { stepId } from '@ft/core/repatch/step';
import type { CordId, LaneId, RoomId } from '@ft/core/rig/ids';
import type { WorkerState } from './worker-state';

/** What the screens at the bay may ask. `isTeardown`: the way to all normals, instead of to the scene. */
export interface FloorAnswers {
  workList(isTeardown: boolean, here?: RoomId): WorkList;
  /** @param now the moment it is ticked, ISO 8601. */
  tickStep(id: string, isTeardown: boolean, now: string): HandPatch;
  tickCord(id: CordId): HandPatch;
  tickCords(wanted: readonly CordTick[]): CellsEdits;
  markOnFloor(isTeardown: boolean, now: string): readonly Edit[];
  deadJack(jack: LaneId, note: string): DeadJack;
}

/** Answers about the floor and the scene last planned. */
export function createFloorAnswers(there: () => WorkerState): FloorAnswers {
  const target = (isTeardown: boolean): Target => {
    const found = targetOf(there().studio, there().place, isTeardown);
    if (found === undefined) throw new Error('This scene is gone. Choose another one at the top.');
    return found;
  };
  const placeOf = (isTeardown: boolean): ScenePlace | null => (isTeardown ? null : there().place);
  return {
    workList: (isTeardown, here) => workList(there().studio, target(isTeardown), here),
    tickStep(id, isTeardown, now) {
      const { studio } = there();
      const wanted = target(isTeardown);
      const step = stepsTo(studio, wanted).find((each) => stepId(each) === id);
      if (step === undefined)
        return { ok: false, sentence: 'This step is done already. Go on with the next one.' };
      const edits = tickEdits(studio, placeOf(isTeardown), step, now);
      return edits.length === 0
        ? { ok: false, sentence: '48 V is not off yet. Switch it off first, then wait.' }
        : { ok: true, label: stepLabel(studio, wanted, step), edits };
    },
    tickCord: (id) => tickCord(there().context, id),
    tickCords: (wanted) => tickCords(there().context, wanted),
    markOnFloor: (isTeardown, now) =>
      onFloorEdits(there().studio, placeOf(isTeardown), target(isTeardown).scene, now),
    deadJack(jack, note) {
      const { studio, context } = there();
      const name = context.graph.lanes[context.graph.laneIndex.get(jack) ?? -1]?.name ?? jack;
      return deadJack(studio, jack, name, note);
    },
  };
}
