import type { Edit } from '../../edits/make';
import type { WorkedScene } from '../../scene/workedScene';
import type { LaneId } from '../../rig/ids';
import { laneRows, rowName } from '../../rig/wiring/laneRows';
import type { LoomWish } from '../../typed/wiring/loom';
import { planLoom } from '../../typed/wiring/loom';
import { loomProblemSentence } from '../../words/loomWording';
import type { RewireReading } from '../../typed/wiring/rewire';
import { planClear, planShift, planSwap } from '../../typed/wiring/rewire';
import { rewireProblemSentence } from '../../words/rewireWording';
import type { PlannedWire, WirePlan } from '../../typed/wiring/wirePlan';

/** One wire of a preview, in words. */
export interface WirePreviewLine {
  readonly from: string;
  readonly to: string;
  readonly change: PlannedWire['change'];
  readonly note: string;
}

/** What will happen to the wiring, or what is in the way. */
export type WirePreview =
  | { readonly ok: true; readonly lines: readonly WirePreviewLine[]; readonly edits: readonly Edit[] }
  | { readonly ok: false; readonly sentence: string };

/** What a person may do to many wires at once. */
export type WireWish =
  | ({ readonly what: 'loom' } & LoomWish)
  | { readonly what: 'clear'; readonly at: string }
  | { readonly what: 'shift'; readonly at: string; readonly by: number }
  | { readonly what: 'swap'; readonly at: string; readonly with: string };

function noteOf(wire: PlannedWire, name: (lane: LaneId) => string): string {
  const notes = [
    wire.insteadOf === undefined ? '' : `instead of ${name(wire.insteadOf)}`,
    wire.multed ? 'the output feeds several inputs' : '',
  ];
  return notes.filter((note) => note !== '').join('; ');
}

function preview(context: WorkedScene, plan: WirePlan): WirePreview {
  const { graph } = context;
  const name = (lane: LaneId): string => graph.lanes[graph.laneIndex.get(lane) ?? -1]?.name ?? lane;
  const lines = plan.wires.map((wire) => ({
    from: name(wire.from),
    to: name(wire.to),
    change: wire.change,
    note: noteOf(wire, name),
  }));
  return { ok: true, lines, edits: plan.edits };
}

const rewire = (context: WorkedScene, read: RewireReading): WirePreview =>
  read.ok ? preview(context, read.plan) : { ok: false, sentence: rewireProblemSentence(read.problem) };

/** Works out a change to many wires, without making it. */
export function wirePreview(context: WorkedScene, wish: WireWish): WirePreview {
  const { rig } = context;
  switch (wish.what) {
    case 'loom': {
      const read = planLoom(rig, wish);
      return read.ok
        ? preview(context, read.plan)
        : { ok: false, sentence: loomProblemSentence(read.problem) };
    }
    case 'clear':
      return rewire(context, planClear(rig, wish.at));
    case 'shift':
      return rewire(context, planShift(rig, wish.at, wish.by));
    case 'swap':
      return rewire(context, planSwap(rig, wish.at, wish.with));
  }
}

/** Every row of connectors that a loom can start or end at, as it would be typed. */
export const rowNames = ({ rig }: WorkedScene, direction: 'in' | 'out'): readonly string[] =>
  rig.devices.flatMap((device) =>
    laneRows(device)
      .filter((row) => row.direction === direction && row.face === 'rear')
      .map((row) => {
        const range = row.lanes.length > 1 ? ` 1-${String(row.lanes.length)}` : '';
        return `${rowName(row)}${range}`;
      }),
  );
