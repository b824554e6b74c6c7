import { deskOf } from '../../consoles/desk';
import type { ReadyPlan } from '../../consoles/ready/readyLine';
import { readyPlan } from '../../consoles/ready/readyPlan';
import { applyEdits } from '../../edits/change';
import type { Edit } from '../../edits/make';
import type { SceneId } from '../../rig/ids';
import { workedScene } from '../../scene/workedScene';
import { findScene } from '../../session/scenePlace';
import { settingSet } from '../patchEdits';
import { newSceneEdits } from '../scenes/sceneEdits';
import type { ChannelPlan } from './channelPlan';
import type { DeskPlace } from './plannedCells';
import { plannedCells } from './plannedCells';
import { turnedOn } from './zeroedConsole';

/** Which lines of the plan are wanted, and the name of a scene of its own; without one it is done in the present scene. */
export interface ReadyWish {
  readonly lines: readonly string[];
  readonly scene?: string;
}

/** A console made ready: what it comes to, and the scene it is in. */
export interface MadeReady extends ChannelPlan {
  readonly plan: ReadyPlan;
  readonly scene: SceneId;
}

function made(it: DeskPlace, edits: readonly Edit[]): DeskPlace | undefined {
  const result = applyEdits(it.studio, edits);
  return result.ok ? { ...it, studio: result.value } : undefined;
}

/** The same place in a scene of its own, and the edits that make it. */
function ownScene(
  it: DeskPlace,
  name: string | undefined,
): { it: DeskPlace; edits: readonly Edit[] } | undefined {
  if (name === undefined) return { it, edits: [] };
  const fresh = newSceneEdits(it.studio, it.place, name, 'copy');
  const there = fresh && made(it, fresh.edits);
  if (fresh === undefined || there === undefined) return undefined;
  return { it: { ...there, place: { ...it.place, scene: fresh.id } }, edits: fresh.edits };
}

/** Every knob of the console as it stands at first. */
function cleared(it: DeskPlace): readonly Edit[] {
  const scene = findScene(it.studio, it.place)?.scene;
  return scene === undefined
    ? []
    : turnedOn(scene, it.device).map((key) => settingSet(it.place, scene, key, null));
}

function worked(it: DeskPlace, edits: readonly Edit[]): DeskPlace | undefined {
  const then = made(it, edits);
  const found = then && findScene(then.studio, then.place);
  if (then === undefined || found === undefined) return undefined;
  const { rig, floor } = then.studio;
  return { ...then, context: workedScene(rig, found.session, found.scene, floor) };
}

/** Lays the base of a console. Undefined for a device that has none, or a scene that is gone. */
export function madeReady(it: DeskPlace, wish: ReadyWish): MadeReady | undefined {
  const desk = deskOf(it.context, it.device);
  const plan = desk && readyPlan(it.context, desk);
  const own = ownScene(it, wish.scene);
  if (plan === undefined || own === undefined) return undefined;
  const bare = plan.isFromNothing ? cleared(own.it) : [];
  const start = worked(own.it, bare);
  if (start === undefined) return undefined;
  const wanted = new Set(wish.lines);
  const cells = plan.lines.filter(({ id }) => wanted.has(id)).flatMap((line) => line.cells);
  const { edits, ...rest } = plannedCells(start, cells);
  return { ...rest, edits: [...own.edits, ...bare, ...edits], plan, scene: own.it.place.scene };
}
