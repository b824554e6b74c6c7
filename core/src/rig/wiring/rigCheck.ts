import type { Connector } from '../connector';
import type { LaneFace } from '../faces';
import { lanesOf } from '../faces';
import type { HardwireId, LaneId } from '../ids';
import { isAnalogue } from '../medium';
import type { Hardwire, Rig } from '../rigSchema';
import type { Medium } from '../medium';
import { laneRows, rowNumbersText } from './laneRows';

/** Something about the rig that a technician would look at. Figures and ids, no prose. */
export type RigNote =
  | {
      readonly code: 'unwired';
      readonly device: string;
      readonly row: string;
      readonly numbers: readonly number[];
      readonly numbersText: string;
      readonly of: number;
    }
  | {
      readonly code: 'two-sources';
      readonly at: LaneId;
      readonly from: readonly LaneId[];
    }
  | {
      readonly code: 'kinds-differ';
      readonly wire: HardwireId;
      readonly from: Medium;
      readonly to: Medium;
      readonly ends: readonly [LaneId, LaneId];
    }
  | {
      readonly code: 'adaptor';
      readonly connectors: readonly [Connector, Connector];
      readonly ends: readonly (readonly [LaneId, LaneId])[];
    }
  | {
      readonly code: 'label-twice';
      readonly bay: string;
      readonly label: string;
      readonly at: readonly string[];
    };

type Lanes = ReadonlyMap<LaneId, LaneFace>;

/** Rows of rear connectors with lanes that no wire ends at. Inside lanes and front jacks wait for nothing. */
function unwired(rig: Rig, wired: ReadonlySet<LaneId>): readonly RigNote[] {
  return rig.devices.flatMap((device) =>
    laneRows(device).flatMap((row): readonly RigNote[] => {
      if (row.face !== 'rear') return [];
      const numbers = row.lanes.filter(({ lane }) => !wired.has(lane)).map(({ number }) => number);
      if (numbers.length === 0) return [];
      const numbersText = rowNumbersText(row, numbers);
      return [
        { code: 'unwired', device: device.name, row: row.name, numbers, numbersText, of: row.lanes.length },
      ];
    }),
  );
}

function twoSources(wires: readonly Hardwire[]): readonly RigNote[] {
  const into = new Map<LaneId, LaneId[]>();
  for (const { from, to } of wires) into.set(to, [...(into.get(to) ?? []), from]);
  return [...into]
    .filter(([, from]) => from.length > 1)
    .map(([at, from]) => ({ code: 'two-sources', at, from }));
}

/** Voltages and numbers do not mix, nor do clock or timecode with sound. */
const family = (medium: Medium): string => (isAnalogue(medium) ? 'analogue' : medium);
const kindsDiffer = (from: Medium, to: Medium): boolean =>
  from !== 'any' && to !== 'any' && family(from) !== family(to);

/** A loom is made for its two ends; single leads are bought, and these do not fit both. */
const isPlain = (connector: Connector): boolean => connector !== 'fixed' && connector !== 'db25';

function wireNotes(wires: readonly Hardwire[], lanes: Lanes): readonly RigNote[] {
  const notes: RigNote[] = [];
  const adaptors = new Map<string, Extract<RigNote, { code: 'adaptor' }> & { ends: [LaneId, LaneId][] }>();
  for (const { id, from, to } of wires) {
    const [a, b] = [lanes.get(from)?.port, lanes.get(to)?.port];
    if (a === undefined || b === undefined) continue;
    if (kindsDiffer(a.medium, b.medium))
      notes.push({ code: 'kinds-differ', wire: id, from: a.medium, to: b.medium, ends: [from, to] });
    if (a.connector === b.connector || !isPlain(a.connector) || !isPlain(b.connector)) continue;
    const key = `${a.connector} ${b.connector}`;
    const note = adaptors.get(key) ?? { code: 'adaptor', connectors: [a.connector, b.connector], ends: [] };
    note.ends.push([from, to]);
    adaptors.set(key, note);
  }
  return [...notes, ...adaptors.values()];
}

/** A label that stands at two jacks of one bay sends a hand to the wrong one. */
function labelsTwice(rig: Rig): readonly RigNote[] {
  return rig.devices.flatMap((device) => {
    const labels = device.type === 'patchbay' ? (device.params['labels'] as Record<string, string>) : {};
    const places = new Map<string, string[]>();
    for (const [place, label] of Object.entries(labels))
      places.set(label, [...(places.get(label) ?? []), place]);
    return [...places]
      .filter(([, at]) => at.length > 1)
      .map(([label, at]): RigNote => ({ code: 'label-twice', bay: device.name, label, at }));
  });
}

/** Looks the wiring over: what is not wired, joined twice, of different kinds, or needs an adaptor. */
export function rigCheck(rig: Rig): readonly RigNote[] {
  const lanes = new Map(rig.devices.flatMap((device) => [...lanesOf(device)]));
  const wired = new Set(rig.hardwires.flatMap(({ from, to }) => [from, to]));
  return [
    ...twoSources(rig.hardwires),
    ...wireNotes(rig.hardwires, lanes),
    ...labelsTwice(rig),
    ...unwired(rig, wired),
  ];
}
