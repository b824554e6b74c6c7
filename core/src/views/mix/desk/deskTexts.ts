import type { Desk } from '../../../consoles/desk';
import { insertedUnit, leadsOf } from '../../../consoles/leads';
import type { DeskBus } from '../../../consoles/mixing/deskBuses';
import { hostChannels } from '../../../mix/hostChannels';
import { deskText } from '../../../consoles/mixing/deskBuses';
import type { DeskPoint } from '../../../consoles/mixing/deskOfSum';
import { insertLines, insertSides } from '../../../consoles/mixing/insertSides';
import { directsOf, recordedSamples } from '../../../consoles/mixing/directs';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Thread } from '../../../session/sessionSchema';
import { rangesText } from '../../../text/rangesText';
import { sidesText } from '../../../typed/sum/sideTexts';
import { formatSamples } from '../../../units/format';
import { chainText } from '../chainText';
import { isMixed } from './deskColumns';
import type { DeviceId } from '../../../rig/ids';

/** What the rows of a stem on the channel sheet of its mixer say of it. */
export interface DeskTexts {
  /** What the mixer has there, by column of its channel sheet; of sides that differ with a stroke between. */
  readonly knobs: Readonly<Record<string, string>>;
  /** The first of its channels: its row on the sheet of the mixer. */
  readonly channel?: { readonly device: DeviceId; readonly row: string };
  /** On the insert of its channel. */
  readonly unit: string;
  /** Inputs of the host the direct outs of its channels come to, and how late; empty where they are not recorded. */
  readonly recorded: string;
}

/** What rows of a channel sheet say side by side of what is set while mixing, by column. */
export function columnTexts(points: readonly DeskPoint[]): Readonly<Record<string, string>> {
  const [first] = points;
  if (first === undefined) return {};
  const columns = Object.keys(first.row.cells).filter((id) => isMixed(first, id));
  return Object.fromEntries(
    columns.map((column) => [
      column,
      sidesText(
        column,
        points.map(({ desk, row }) => deskText(desk, row, column)),
      ),
    ]),
  );
}

/** The units lines pass side by side, as a chain is typed. */
export const lineChainText = (context: WorkedScene, lines: readonly Thread[]): string =>
  chainText(context, {
    chain: (lines[0]?.inserts ?? []).map((_, i) => lines.flatMap(({ inserts }) => inserts[i] ?? [])),
  });

/** The units on the inserts of some rows: as a chain is typed, else what hangs there by name. */
export function unitsOn(context: WorkedScene, points: readonly DeskPoint[]): string {
  const lines = insertLines(context, insertSides(context, points));
  if (lines.length > 0) return lineChainText(context, lines);
  const names = points.map(({ row }) => insertedUnit(context, row)).filter((name) => name !== '');
  return [...new Set(names)].join(' + ');
}

/** Where a bus leads physically, both sides. */
export const busLeads = (context: WorkedScene, desk: Desk, { rows }: DeskBus): string =>
  [...new Set(rows.map((row) => leadsOf(context, desk, row)))].filter((name) => name !== '').join(' + ');

/** The inputs of the host some channels are recorded on by their direct outs, and how late: "25–26, 62 samples". */
function recordedText(
  context: WorkedScene,
  points: readonly DeskPoint[],
  outputs: readonly number[],
): string {
  const channels = hostChannels(context);
  const ends = directsOf(context, points).flatMap((direct, side) => {
    const at = direct.line?.path.at(-1)?.to;
    const input = channels.find((channel) => channel.input === at)?.number;
    const output = channels.find(({ number }) => number === outputs[side])?.output;
    const samples = output === undefined ? undefined : recordedSamples(context, output, direct);
    return input === undefined ? [] : [{ input, samples }];
  });
  const [first] = ends;
  if (first === undefined) return '';
  const late = first.samples === undefined ? '' : `, ${formatSamples(first.samples)} samples`;
  return `${rangesText(ends.map(({ input }) => input))}${late}`;
}

/** What the channels of a stem say of it. @param outputs numbers of the host it comes from. */
export const deskTexts = (
  context: WorkedScene,
  points: readonly DeskPoint[],
  outputs: readonly number[],
): DeskTexts => ({
  ...(points[0] && { channel: { device: points[0].desk.device.id, row: points[0].row.id } }),
  knobs: columnTexts(points),
  unit: unitsOn(context, points),
  recorded: recordedText(context, points, outputs),
});
