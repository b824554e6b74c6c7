import type { Edit } from '../../edits/make';
import { editAdd, editRemove } from '../../edits/make';
import type { WorkedScene } from '../../scene/workedScene';
import { namingOf } from '../../words/naming';
import type { CordId } from '../../rig/ids';
import { isPlugged } from '../../session/onFloor';
import type { CellsEdits } from '../cellsEdits';
import type { HandPatch } from './handPatch';

/** Ticks a cord of the patch list: it is in its jacks now, or it has come out again. */
export function tickCord(context: WorkedScene, id: CordId): HandPatch {
  const { rig, session, scene, graph, floor } = context;
  const cord = scene.cords.find((each) => each.id === id);
  if (cord === undefined) return { ok: false, sentence: 'That cord is not in the scene any more.' };
  const { from, to, stock, fromAdaptor, toAdaptor } = cord;
  const naming = namingOf(rig, session, graph);
  const name = `${naming.lane(from)} to ${naming.lane(to)}`;
  const holder = floor.cords.find((each) => each.id === from || each.to === to);
  if (holder?.id === from && holder.to === to)
    return { ok: true, label: `Pulled ${name}`, edits: [editRemove('plug', {}, from, holder)] };
  if (holder !== undefined)
    return {
      ok: false,
      sentence: `The cord from ${naming.lane(holder.id)} to ${naming.lane(holder.to)} is still in one of these jacks. Pull it first, or go by the work list, which does both.`,
    };
  const item = { id: from, to, stock, ...(fromAdaptor && { fromAdaptor }), ...(toAdaptor && { toAdaptor }) };
  return { ok: true, label: `Plugged ${name}`, edits: [editAdd('plug', {}, item)] };
}

/** A cord of the patch list that is to be in its jacks, or out of them. */
export interface CordTick {
  readonly cord: CordId;
  readonly isIn: boolean;
}

/** As `tickCord`, for many at once: what stands already as wanted is left alone, what cannot be is told. */
export function tickCords(context: WorkedScene, wanted: readonly CordTick[]): CellsEdits {
  const edits: Edit[] = [];
  const refused: { at: number; sentence: string }[] = [];
  wanted.forEach(({ cord: id, isIn }, at) => {
    const cord = context.scene.cords.find((each) => each.id === id);
    if (cord !== undefined && isPlugged(context.floor, cord) === isIn) return;
    const done = tickCord(context, id);
    if (done.ok) edits.push(...done.edits);
    else refused.push({ at, sentence: done.sentence });
  });
  return { edits, refused };
}
