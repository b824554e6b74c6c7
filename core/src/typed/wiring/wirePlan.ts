import type { Edit } from '../../edits/make';
import { editAdd, editRemove } from '../../edits/make';
import type { HardwireId, LaneId } from '../../rig/ids';
import type { Hardwire } from '../../rig/rigSchema';
import { wireIdOf } from '../../rig/wiring/wireId';

/** A wire that is wanted. */
export interface WirePair {
  readonly from: LaneId;
  readonly to: LaneId;
}

/** What will happen to one wire. */
export interface PlannedWire extends WirePair {
  /** `there` already is; `replaces` takes the place of another wire at the same input; `gone` is taken out. */
  readonly change: 'new' | 'there' | 'replaces' | 'gone';
  /** Where the wire that is replaced came from. */
  readonly insteadOf?: LaneId;
  /** True where the output feeds another input as well. */
  readonly multed: boolean;
}

/** A change to the wiring, to be looked at before it is made. */
export interface WirePlan {
  readonly wires: readonly PlannedWire[];
  readonly edits: readonly Edit[];
}

const takeOut = (wire: Hardwire): Edit => editRemove('hardwire', {}, wire.id, wire);
const draw = (pair: WirePair): Edit => editAdd('hardwire', {}, { id: wireIdOf(pair.from, pair.to), ...pair });

/**
 * Plans to take some wires out and to have others. An input hears one wire, so one that is there already
 * is replaced; an output may feed several inputs, and is marked where it does.
 * @param out wires to take out first, whatever comes.
 */
// eslint-disable-next-line max-lines-per-function -- one pass in which each wire sees what those before it did
export function planWires(
  wires: readonly Hardwire[],
  wanted: readonly WirePair[],
  out: readonly Hardwire[] = [],
): WirePlan {
  const gone = new Set<HardwireId>(out.map(({ id }) => id));
  const staying = wires.filter(({ id }) => !gone.has(id));
  const intoLane = new Map(staying.map((wire) => [wire.to, wire]));
  const fed = new Map<LaneId, number>();
  const count = (lane: LaneId, by: number): void => void fed.set(lane, (fed.get(lane) ?? 0) + by);
  for (const { from } of staying) count(from, 1);

  const planned: PlannedWire[] = [];
  const edits: Edit[] = out.map(takeOut);
  for (const pair of wanted) {
    const other = intoLane.get(pair.to);
    if (other?.from === pair.from) {
      planned.push({ ...pair, change: 'there', multed: (fed.get(pair.from) ?? 0) > 1 });
      continue;
    }
    if (other !== undefined) {
      edits.push(takeOut(other));
      count(other.from, -1);
    }
    count(pair.from, 1);
    intoLane.set(pair.to, { id: wireIdOf(pair.from, pair.to), ...pair });
    edits.push(draw(pair));
    const multed = (fed.get(pair.from) ?? 0) > 1;
    planned.push(
      other === undefined
        ? { ...pair, change: 'new', multed }
        : { ...pair, change: 'replaces', insteadOf: other.from, multed },
    );
  }
  const again = new Set(wanted.map(({ from, to }) => `${from} ${to}`));
  const left = out
    .filter(({ from, to }) => !again.has(`${from} ${to}`))
    .map(({ from, to }): PlannedWire => ({ from, to, change: 'gone', multed: false }));
  return { wires: [...left, ...planned], edits: withoutBackAndForth(edits) };
}

/** A wire that is taken out and drawn again between the same ends is left alone. */
function withoutBackAndForth(edits: readonly Edit[]): readonly Edit[] {
  const ends = (edit: Edit): string => {
    const { from, to } = (edit['was'] ?? edit['item']) as WirePair;
    return `${from} ${to}`;
  };
  const removed = new Set(edits.filter(({ type }) => type === 'hardwire.remove').map(ends));
  const added = new Set(edits.filter(({ type }) => type === 'hardwire.add').map(ends));
  return edits.filter((edit) => !(removed.has(ends(edit)) && added.has(ends(edit))));
}
