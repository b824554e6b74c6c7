import type { LaneId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import { rowName } from '../../rig/wiring/laneRows';
import type { RowProblem, RowReading } from './rowText';
import { readRow } from './rowText';
import type { WirePair, WirePlan } from './wirePlan';
import { planWires } from './wirePlan';

/** How lanes of two rows are joined when there are more of one than of the other. */
export type Pairing =
  /** One to one; the numbers must agree, or one side is a start from which it spills. */
  | 'one-to-one'
  /** The outputs over and over: bus 1 feeds inputs 1, 9, 17. */
  | 'repeat';

export type LoomProblem =
  | { readonly code: 'from'; readonly problem: RowProblem }
  | { readonly code: 'to'; readonly problem: RowProblem }
  | { readonly code: 'counts-differ'; readonly from: number; readonly to: number }
  | { readonly code: 'does-not-repeat'; readonly from: number; readonly to: number }
  | { readonly code: 'spills-over'; readonly row: string; readonly wanted: number; readonly left: number };

export type LoomReading =
  { readonly ok: true; readonly plan: WirePlan } | { readonly ok: false; readonly problem: LoomProblem };

type Read = Extract<RowReading, { ok: true }>;

/** A side of which one lane alone was named spills along its row, upwards or downwards. */
function spilled(side: Read, count: number, down: boolean): readonly LaneId[] | LoomProblem {
  const { row, lanes } = side;
  if (lanes.length === count) return lanes;
  const [start] = lanes;
  const all = row.lanes.map(({ lane }) => lane);
  const ordered = down ? [...all].reverse() : all;
  const onward = ordered.slice(lanes.length === 1 && start !== undefined ? ordered.indexOf(start) : 0);
  return onward.length < count
    ? { code: 'spills-over', row: rowName(row), wanted: count, left: onward.length }
    : onward.slice(0, count);
}

const isStart = ({ lanes, numbered }: Read): boolean => lanes.length === 1 || !numbered;

function pairs(from: readonly LaneId[], to: readonly LaneId[]): readonly WirePair[] {
  return to.flatMap((lane, i): readonly WirePair[] => {
    const source = from[i % from.length];
    return source === undefined ? [] : [{ from: source, to: lane }];
  });
}

const isProblem = (it: readonly LaneId[] | LoomProblem): it is LoomProblem => 'code' in it;

function oneToOne(from: Read, to: Read, down: boolean): readonly WirePair[] | LoomProblem {
  const counts = [from, to].filter((side) => !isStart(side)).map(({ lanes }) => lanes.length);
  const differ = { code: 'counts-differ', from: from.lanes.length, to: to.lanes.length } as const;
  if (counts.length === 2 && counts[0] !== counts[1]) return differ;
  const most = Math.min(from.lanes.length, to.lanes.length);
  const count = counts[0] ?? most;
  const [outs, ins] = [spilled(from, count, down), spilled(to, count, down)];
  if (isProblem(outs)) return outs;
  return isProblem(ins) ? ins : pairs(outs, ins);
}

function repeated(from: Read, to: Read): readonly WirePair[] | LoomProblem {
  const [outs, ins] = [from.lanes.length, to.lanes.length];
  return ins % outs === 0 ? pairs(from.lanes, to.lanes) : { code: 'does-not-repeat', from: outs, to: ins };
}

export interface LoomWish {
  readonly from: string;
  readonly to: string;
  readonly pairing: Pairing;
  /** Whether a side given by its start alone spills to lower numbers. */
  readonly down: boolean;
}

/**
 * A whole loom at once: "Bay A 1-24 lower" to "Converter line in 1-24". One side may be given by its
 * first lane alone, or without numbers; it then takes as many as the other has.
 */
export function planLoom(rig: Rig, { from, to, pairing, down }: LoomWish): LoomReading {
  const [outs, ins] = [readRow(rig.devices, from, 'out'), readRow(rig.devices, to, 'in')];
  if (!outs.ok) return { ok: false, problem: { code: 'from', problem: outs.problem } };
  if (!ins.ok) return { ok: false, problem: { code: 'to', problem: ins.problem } };
  const made = pairing === 'repeat' ? repeated(outs, ins) : oneToOne(outs, ins, down);
  if ('code' in made) return { ok: false, problem: made };
  return { ok: true, plan: planWires(rig.hardwires, made) };
}
