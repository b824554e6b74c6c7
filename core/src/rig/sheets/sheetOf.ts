import { settingsOf } from '../buildDevice';
import { deviceTypeNamed } from '../catalogue/catalogue';
import type { LaneKey } from '../deviceModel';
import type { Device } from '../rigSchema';
import type { SettingSpec } from '../settings';
import { knob } from './cells';
import type { ChannelColumn, ChannelSheet, SheetPart, SheetRow } from './channelSheet';
import { channelSheet, section } from './channelSheet';

/** Knobs that other sheets have in a column of their own. */
const USUAL: Readonly<Record<string, string>> = {
  gainDb: 'gain',
  phantom: 'phantom',
  pad: 'pad',
  invert: 'invert',
};
const columnId = ({ setting }: SettingSpec): string => USUAL[setting] ?? setting;

const partOf = ({ names, range }: SettingSpec): SheetPart =>
  names !== undefined ? 'source' : range?.positions !== undefined ? 'preamp' : 'processing';

const column = (spec: SettingSpec): ChannelColumn => ({
  id: columnId(spec),
  title: spec.title,
  part: partOf(spec),
  ...(spec.unit !== '' && { unit: spec.unit }),
});

/** A row with the knobs that have such a channel. */
const rowOf = (
  id: string,
  name: string,
  specs: readonly SettingSpec[],
  channel: number,
  lane?: LaneKey,
): SheetRow => ({
  ...{ id, name },
  ...(lane !== undefined && { lane }),
  cells: Object.fromEntries(
    specs
      .filter(({ channels }) => channel <= channels)
      .map((spec) => [columnId(spec), knob(spec.setting, channel)]),
  ),
});

/** A sheet of the knobs as they are listed: a row for each channel, and one for what there is once. */
function plainSheet(device: Device): ChannelSheet | undefined {
  const specs = settingsOf(device);
  const channels = Math.max(0, ...specs.map((spec) => spec.channels));
  if (channels < 2) return undefined;
  const [counted, once] = [specs.filter((s) => s.channels > 1), specs.filter((s) => s.channels === 1)];
  const stations = deviceTypeNamed(device.type)?.build(device.params, () => 0).stations ?? [];
  const laneOf = (n: number): LaneKey | undefined => stations.find(({ channel }) => channel === n)?.out;
  const rows = Array.from({ length: channels }, (_, i) =>
    rowOf(`channel-${i + 1}`, `channel ${i + 1}`, counted, i + 1, laneOf(i + 1)),
  );
  return {
    ...channelSheet([
      section('channels', 'Channels', rows),
      section('unit', 'The unit', once.length === 0 ? [] : [rowOf('unit', 'all channels', once, 1)]),
    ]),
    columns: specs.filter((spec) => USUAL[spec.setting] === undefined).map(column),
  };
}

/** Devices are immutable, and a large console has thousands of cells: they are laid out once for each. */
const known = new WeakMap<Device, { readonly sheet: ChannelSheet | undefined }>();

/** The channel sheet of a device; undefined for one that has no channels. */
export function sheetOf(device: Device): ChannelSheet | undefined {
  const laidOut = known.get(device) ?? {
    sheet: deviceTypeNamed(device.type)?.sheet(device.params) ?? plainSheet(device),
  };
  known.set(device, laidOut);
  return laidOut.sheet;
}
