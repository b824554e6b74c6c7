import type { LaneId } from '../../rig/ids';
import type { Hardwire, Rig } from '../../rig/rigSchema';
import { rowName } from '../../rig/wiring/laneRows';
import type { RowProblem, RowReading } from './rowText';
import { readRow } from './rowText';
import type { WirePair, WirePlan } from './wirePlan';
import { planWires } from './wirePlan';

export type RewireReading =
  { readonly ok: true; readonly plan: WirePlan } | { readonly ok: false; readonly problem: RewireProblem };

export type RewireProblem =
  | { readonly code: 'row'; readonly problem: RowProblem }
  | { readonly code: 'no-wires'; readonly row: string }
  | { readonly code: 'off-the-end'; readonly row: string; readonly number: number }
  | { readonly code: 'counts-differ'; readonly first: number; readonly second: number };

/** The lanes meant, inputs or outputs, whichever the row has. */
function readEither(rig: Rig, text: string): RowReading {
  const asInput = readRow(rig.devices, text, 'in');
  if (asInput.ok) return asInput;
  const asOutput = readRow(rig.devices, text, 'out');
  return asOutput.ok ? asOutput : asInput;
}

const refuse = (problem: RewireProblem): RewireReading => ({ ok: false, problem });

/** Wires that end at lanes of a row, and which of their ends that is. */
function wiresAt(rig: Rig, lanes: readonly LaneId[]): readonly { wire: Hardwire; end: 'from' | 'to' }[] {
  const wanted = new Set(lanes);
  return rig.hardwires.flatMap((wire) =>
    (['from', 'to'] as const).filter((end) => wanted.has(wire[end])).map((end) => ({ wire, end })),
  );
}

/** Takes out every wire that ends at the lanes named. */
export function planClear(rig: Rig, text: string): RewireReading {
  const read = readEither(rig, text);
  if (!read.ok) return refuse({ code: 'row', problem: read.problem });
  const wires = wiresAt(rig, read.lanes).map(({ wire }) => wire);
  if (wires.length === 0) return refuse({ code: 'no-wires', row: rowName(read.row) });
  return { ok: true, plan: planWires(rig.hardwires, [], wires) };
}

/** Moves the ends of wires along their row by a number of places, up or down. */
export function planShift(rig: Rig, text: string, by: number): RewireReading {
  const read = readEither(rig, text);
  if (!read.ok) return refuse({ code: 'row', problem: read.problem });
  const moving = wiresAt(rig, read.lanes);
  if (moving.length === 0) return refuse({ code: 'no-wires', row: rowName(read.row) });
  const byNumber = new Map(read.row.lanes.map(({ number, lane }) => [number, lane]));
  const numberOf = new Map(read.row.lanes.map(({ number, lane }) => [lane, number]));
  const wanted: WirePair[] = [];
  for (const { wire, end } of moving) {
    const number = (numberOf.get(wire[end]) ?? 0) + by;
    const lane = byNumber.get(number);
    if (lane === undefined) return refuse({ code: 'off-the-end', row: rowName(read.row), number });
    wanted.push({ from: wire.from, to: wire.to, [end]: lane });
  }
  return {
    ok: true,
    plan: planWires(
      rig.hardwires,
      wanted,
      moving.map(({ wire }) => wire),
    ),
  };
}

/** What hangs on the first lanes goes to the second, and the other way round. */
export function planSwap(rig: Rig, first: string, second: string): RewireReading {
  const [a, b] = [readEither(rig, first), readEither(rig, second)];
  if (!a.ok) return refuse({ code: 'row', problem: a.problem });
  if (!b.ok) return refuse({ code: 'row', problem: b.problem });
  if (a.lanes.length !== b.lanes.length)
    return refuse({ code: 'counts-differ', first: a.lanes.length, second: b.lanes.length });
  const other = new Map<LaneId, LaneId>();
  a.lanes.forEach((lane, i) => {
    const partner = b.lanes[i];
    if (partner === undefined) return;
    other.set(lane, partner);
    other.set(partner, lane);
  });
  const moving = wiresAt(rig, [...other.keys()]);
  if (moving.length === 0) return refuse({ code: 'no-wires', row: rowName(a.row) });
  const wires = [...new Set(moving.map(({ wire }) => wire))];
  const wanted = wires.map(({ from, to }) => ({ from: other.get(from) ?? from, to: other.get(to) ?? to }));
  return { ok: true, plan: planWires(rig.hardwires, wanted, wires) };
}
