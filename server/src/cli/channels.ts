import type { ChannelsOutput } from '@ft/contract/cliOutput';
import { applyChange } from '@ft/core/edits/change';
import { channelsCsv, channelTitles } from '@ft/core/formats/csv/channelsCsv';
import { channelTable } from '@ft/core/formats/csv/channelTable';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import type { DeviceId } from '@ft/core/rig/ids';
import type { WorkedScene } from '@ft/core/scene/workedScene';
import { workedScene } from '@ft/core/scene/workedScene';
import type { Studio } from '@ft/core/session/studioSchema';
import { didYouMean, nearestNames } from '@ft/core/text/nearestName';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { channelSheetView, devicesWithChannels } from '@ft/core/views/consoles/channelSheetView';
import type { Answer } from './answer';
import { BadInput } from './badInput';
import { tableIn } from './bundleFile';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';
import { writeBundleFile } from './writeBundleFile';

function deviceNamed(context: WorkedScene, name: string | undefined): DeviceId {
  const all = devicesWithChannels(context);
  const names = all.map((each) => each.name);
  if (name === undefined)
    throw new BadInput(`Say which: --device NAME. With channels there are: ${names.join(', ')}.`);
  const found = all.find((each) => each.id === name || each.name.toLowerCase() === name.toLowerCase());
  if (found === undefined)
    throw new BadInput(`Nothing with channels is called “${name}”.${didYouMean(nearestNames(name, names))}`);
  return found.id;
}

/** What a table changes, and the studio with it; every cell that does not fit is told, and then nothing is done. */
function readBack(
  request: CliRequest,
  context: WorkedScene,
  device: DeviceId,
): { lines: readonly string[]; studio: Studio } {
  const { studio, session, scene, read } = request;
  if (read === undefined) return { lines: [], studio };
  const place = { session: session.id, scene: scene.id };
  const reading = channelTable({ studio, place, context, device }, tableIn(read));
  if (!reading.ok)
    throw new BadInput(
      [`${read}: nothing was taken in.`, ...reading.problems.map(csvProblemLine)].join('\n'),
    );
  const result = applyChange(studio, reading.edits);
  if (!result.ok) throw new Error('a table made edits that do not hold together');
  return { lines: reading.lines.map(({ text }) => text), studio: result.value };
}

/** Rows of text with columns as wide as what stands in them. */
function textTable(sheet: ChannelSheetView): string {
  const used = sheet.columns.filter(({ id }) => sheet.rows.some(({ texts }) => texts[id] !== undefined));
  const titles = channelTitles({ columns: used });
  const rows = sheet.rows.map(({ name, carries, texts, unit, leads }) => [
    ...[name, carries],
    ...used.map(({ id }) => texts[id] ?? ''),
    ...[unit, leads],
  ]);
  const widths = titles.map((title, i) => Math.max(title.length, ...rows.map((row) => row[i]?.length ?? 0)));
  return [titles, ...rows]
    .map((row) =>
      row
        .map((cell, i) => cell.padEnd(widths[i] ?? 0))
        .join('  ')
        .trimEnd(),
    )
    .join('\n');
}

const output = (
  request: CliRequest,
  sheet: ChannelSheetView,
  changed: readonly string[],
): ChannelsOutput => ({
  format: 'faithful-thread-channels/1',
  ...headOf(request),
  device: sheet.name,
  columns: sheet.columns.map(({ id, title, unit }) => ({ id, title, ...(unit !== undefined && { unit }) })),
  rows: sheet.rows.map(({ id, name, section, carries, unit, leads, texts }) => ({
    ...{ id, name, section, carries, unit, leads, cells: texts },
  })),
  changed: [...changed],
});

/** `ft channels`: the channel sheet of a device, written as a table and read back from one. */
export function channels(request: CliRequest): Answer {
  const { studio, session, scene, csv, read, out } = request;
  if (out !== undefined && read === undefined)
    throw new BadInput('--out writes what a table changes: give the table with --read TABLE.');
  const context = workedScene(studio.rig, session, scene);
  const device = deviceNamed(context, request.device);
  const back = readBack(request, context, device);
  const sheet = channelSheetView(context, device);
  if (sheet === undefined) throw new Error('a device with channels has a sheet');
  if (read !== undefined && out !== undefined) writeBundleFile(out, back.studio);
  const json = output(request, sheet, back.lines);
  if (read !== undefined) {
    const said = back.lines.length === 0 ? ['Everything is there already.'] : back.lines;
    return { text: [titleOf(request), ...said].join('\n'), json, exitCode: 0 };
  }
  return {
    text: csv ? channelsCsv(sheet).trimEnd() : `${titleOf(request)}\n${textTable(sheet)}`,
    json,
    exitCode: 0,
  };
}
