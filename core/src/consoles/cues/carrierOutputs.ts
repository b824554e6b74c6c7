import { reach } from '../../graph/reach';
import { hostOf } from '../../graph/dawTracks';
import type { LaneId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { SheetRow } from '../../rig/sheets/channelSheet';
import type { WorkedScene } from '../../scene/workedScene';
import type { Carrier } from '../../session/cueSchema';
import type { Desk, DeskRow } from '../desk';
import { deskOf, laneAtOf } from '../desk';
import { cellText } from '../cells/channelCell';
import { NOTHING } from '../cells/patchCell';
import type { ReadyCell } from '../ready/readyLine';

/** The connector one side of a cue leaves its carrier by, and what is patched for it to come there. */
export interface CarrierOutput {
  readonly lane: LaneId;
  readonly cells: readonly ReadyCell[];
}

/** One output for a mono carrier, two for left and right; or why there are none. */
export type CarrierOutputs =
  | { readonly ok: true; readonly sides: readonly CarrierOutput[] }
  | { readonly ok: false; readonly why: 'no-outputs-free' | 'no-such-carrier' };

/** Buses that are stereo by themselves name their sides so on a patch page. */
const sidesNamed = (row: SheetRow): readonly string[] => [`${row.name} left`, `${row.name} right`];

/** What the sides of a carrier are called on the patch page of its outputs. */
function sourceNames(buses: readonly SheetRow[], offered: readonly string[]): readonly string[] {
  const [only] = buses;
  if (only === undefined) return [];
  if (buses.length === 1 && !offered.includes(only.name))
    return sidesNamed(only).filter((name) => offered.includes(name));
  return buses.map(({ name }) => name).filter((name) => offered.includes(name));
}

const isOutput = ({ cells, row }: DeskRow): boolean =>
  cells['source']?.cell.kind === 'patch' && (row.leaves?.length ?? 0) === 1;

/** Whether anything can sound at an output: a line, or a track that plays to it. */
function isFed({ graph, field, session }: WorkedScene, leaf: number): boolean {
  if ((field.arrivals[leaf]?.length ?? 0) > 0) return true;
  const tracks = `${session.host ?? ''}/track-`;
  return [...reach(graph, [leaf], 'to')].some((lane) => graph.lanes[lane]?.id.startsWith(tracks) === true);
}

/** From what is there already to what is only free; 0 is taken. */
const RANK = { there: 5, idleThere: 4, named: 3, idle: 2, silent: 1 } as const;

/** How well an output suits: it plays that already, it leads to the ears and is silent, it plays nothing. */
function rank(context: WorkedScene, desk: Desk, row: DeskRow, name: string, towards: ReadonlySet<number>) {
  const placed = row.cells['source'];
  const now = placed === undefined ? '' : cellText(placed.cell, desk.knobs(placed.device));
  const [key] = row.row.leaves ?? [];
  const leaf = key && laneAtOf(context, desk.device, key);
  const leadsThere = leaf !== undefined && towards.has(leaf);
  if (now === name) return leadsThere ? RANK.there : RANK.named;
  if (now === NOTHING) return leadsThere ? RANK.idleThere : RANK.idle;
  if (leaf === undefined || isFed(context, leaf)) return 0;
  return leadsThere ? RANK.idleThere : RANK.silent;
}

/** Outputs for all sides, the best suited of each; none where one of them finds none. */
function patchedOutputs(
  context: WorkedScene,
  desk: Desk,
  buses: readonly SheetRow[],
  towards: ReadonlySet<number>,
): readonly CarrierOutput[] {
  const rows = desk.rows.filter(isOutput);
  const cell = rows[0]?.cells['source']?.cell;
  const names = cell?.kind === 'patch' ? sourceNames(buses, cell.sources) : [];
  const taken = new Set<DeskRow>();
  const sides = names.flatMap((name): readonly CarrierOutput[] => {
    const free = rows.filter((row) => !taken.has(row));
    const best = free.reduce<{ row: DeskRow; rank: number } | undefined>((found, row) => {
      const own = rank(context, desk, row, name, towards);
      return own > (found?.rank ?? 0) ? { row, rank: own } : found;
    }, undefined);
    const [key] = best?.row.row.leaves ?? [];
    const leaf = key && laneAtOf(context, desk.device, key);
    const lane = leaf === undefined ? undefined : context.graph.lanes[leaf]?.id;
    if (best === undefined || lane === undefined) return [];
    taken.add(best.row);
    const cells =
      best.rank === RANK.there || best.rank === RANK.named
        ? []
        : [{ row: best.row.id, column: 'source', text: name }];
    return [{ lane, cells }];
  });
  return sides.length < names.length ? [] : sides;
}

const leavesOf = (context: WorkedScene, desk: Desk, row: SheetRow): readonly LaneId[] =>
  (row.leaves ?? []).flatMap((key) => {
    const lane = laneAtOf(context, desk.device, key);
    return (lane === undefined ? undefined : context.graph.lanes[lane]?.id) ?? [];
  });

/**
 * Where a carrier leaves its device: by jacks of its own, or by outputs it is patched to.
 * @param towards lanes that lead to the ears of the cue: outputs among them come first.
 */
export function carrierOutputs(
  context: WorkedScene,
  carrier: Carrier,
  towards: ReadonlySet<number>,
): CarrierOutputs {
  if (carrier.on === 'host') {
    const host = hostOf(context.rig.devices, context.session);
    if (host === undefined) return { ok: false, why: 'no-such-carrier' };
    const sides = Array.from({ length: carrier.width }, (_, i) => ({
      lane: laneIdOf(host.id, 'output', carrier.first + i),
      cells: [],
    }));
    return { ok: true, sides };
  }
  const desk = deskOf(context, carrier.device);
  const buses =
    desk === undefined ? [] : carrier.rows.flatMap((id) => desk.rows.find((row) => row.id === id)?.row ?? []);
  if (desk === undefined || buses.length === 0) return { ok: false, why: 'no-such-carrier' };
  const jacks = buses.flatMap((row) => leavesOf(context, desk, row));
  const sides =
    jacks.length > 0
      ? jacks.map((lane): CarrierOutput => ({ lane, cells: [] }))
      : patchedOutputs(context, desk, buses, towards);
  return sides.length === 0 ? { ok: false, why: 'no-outputs-free' } : { ok: true, sides };
}
