import { carrierChoices } from '../../../consoles/cues/carriers';
import type { Desk } from '../../../consoles/desk';
import type { DeskBus, DeskStem } from '../../../consoles/mixing/deskBuses';
import { deskBuses, pairName } from '../../../consoles/mixing/deskBuses';
import type { ParallelLine } from '../../../consoles/mixing/parallelLines';
import { parallelLines } from '../../../consoles/mixing/parallelLines';
import type { SumDesks } from '../../../consoles/mixing/deskOfSum';
import type { StemStand } from '../../../mix/sum/sumStand';
import type { DeviceId } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Carrier } from '../../../session/cueSchema';
import type { ChannelColumnView } from '../../consoles/cellEditor';
import type { Drive } from '../driveAt';
import { driveAt } from '../driveAt';
import { deskColumns } from './deskColumns';
import { deskRemarks } from './deskRemarks';
import { busLeads, columnTexts, lineChainText, unitsOn } from './deskTexts';

/** A bus of the console, or a VCA, as the page shows it. */
export interface BusRow extends Drive {
  readonly id: string;
  readonly kind: DeskBus['kind'];
  readonly name: string;
  /** What comes to it, or follows it. */
  readonly from: string;
  readonly unit: string;
  /** Whether a unit can be typed: on its insert, or on the way of a parallel bus. */
  readonly hasInsert: boolean;
  readonly knobs: Readonly<Record<string, string>>;
  readonly leads: string;
}

/** The console a sum is mixed on: its buses, and what carries a parallel one. */
export interface DeskMixView {
  readonly device: DeviceId;
  readonly name: string;
  readonly columns: readonly ChannelColumnView[];
  readonly buses: readonly BusRow[];
  /** Buses another parallel one can stand on. */
  readonly carriers: readonly { readonly carrier: Carrier; readonly name: string }[];
  readonly remarks: readonly string[];
}

/** Rows are known by their ids, left and right with a plus between. */
export const busId = ({ rows }: DeskBus): string => rows.map(({ id }) => id).join('+');

function busRow(context: WorkedScene, desk: Desk, bus: DeskBus): BusRow {
  const points = bus.rows.map((row) => ({ desk, row }));
  return {
    ...{ id: busId(bus), kind: bus.kind, name: bus.name, from: bus.feeds.join(', ') },
    unit: unitsOn(context, points),
    hasInsert: bus.rows.every(({ insert }) => insert !== undefined),
    knobs: columnTexts(points),
    leads: busLeads(context, desk, bus),
    ...driveAt(
      context,
      bus.rows.flatMap(({ lane }) => lane ?? []),
    ),
  };
}

/** A bus, and where it is a parallel one the channels it comes back by. */
function withReturns(
  context: WorkedScene,
  desk: Desk,
  bus: DeskBus,
  parallels: readonly ParallelLine[],
): readonly BusRow[] {
  const row = busRow(context, desk, bus);
  const parallel = parallels.find((each) => each.bus === bus);
  if (parallel === undefined) return [row];
  const { returns: rows, lines } = parallel;
  const back: DeskBus = { kind: 'return', name: pairName(rows), rows, feeds: [bus.name] };
  return [
    { ...row, hasInsert: true, unit: lineChainText(context, lines), leads: `back on ${back.name}` },
    { ...busRow(context, desk, back), leads: '' },
  ];
}

/** The stems of a sum with the channels they have. */
export const deskStems = (desks: SumDesks, stands: readonly StemStand[]): readonly DeskStem[] =>
  stands.map(({ track, inputs }) => ({ name: track.name, points: desks.pointsOf(inputs) }));

/** What a sum does with the console it is mixed on; undefined where a summing mixer takes it. */
export function deskMixView(
  context: WorkedScene,
  desks: SumDesks,
  stands: readonly StemStand[],
): DeskMixView | undefined {
  const desk = desks.console();
  if (desk === undefined) return undefined;
  const stems = deskStems(desks, stands);
  const buses = deskBuses(desk, stems);
  const parallels = parallelLines(context, desk, buses);
  const rows = [...buses, ...parallels.map(({ returns }) => ({ rows: returns }))].flatMap((bus) => bus.rows);
  return {
    ...{
      device: desk.device.id,
      name: desk.device.name,
      columns: deskColumns(rows.map((row) => ({ desk, row }))),
    },
    buses: buses.flatMap((bus) => withReturns(context, desk, bus, parallels)),
    carriers: carrierChoices(context).flatMap(({ carrier, name, taken }) =>
      carrier.on === 'console' &&
      carrier.device === desk.device.id &&
      taken === undefined &&
      !parallels.some(({ bus }) => bus.rows.some(({ id }) => carrier.rows.includes(id)))
        ? [{ carrier, name }]
        : [],
    ),
    remarks: deskRemarks(context, desk, stems, buses),
  };
}
