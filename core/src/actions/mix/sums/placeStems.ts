import type { StemStand } from '../../../mix/sum/sumStand';
import { stemStands } from '../../../mix/sum/sumStand';
import type { ReadyCell } from '../../../consoles/ready/readyLine';
import type { DeviceId, SumId } from '../../../rig/ids';
import type { SettingKey } from '../../../rig/settings';
import { settingKeyOf } from '../../../rig/settings';
import { panText } from '../../../typed/track/faderText';
import type { SettingUp } from '../../settingUp';
import { apartHere, groupsOf, outputsFor, routeTracks } from './placeOutputs';
import { sharePlaces, sumNamed } from './sharePlaces';
import { dropLines, routeLines } from './sumLines';

/** Single inputs go to both sides by their switch, pairs do not. */
function turnMono(up: SettingUp, stands: readonly StemStand[]): void {
  const knobs = new Map<SettingKey, boolean>();
  for (const { inputs } of stands)
    for (const { station } of inputs)
      if (station?.settings.includes('mono') === true)
        knobs.set(settingKeyOf(station.device, 'mono', station.channel), inputs.length === 1);
  const { settings } = up.it.context.scene;
  up.knobs(new Map([...knobs].filter(([key, value]) => (settings[key] ?? false) !== value)));
}

/** Channels of a console listen to their line inputs, go to the mix, and stand where the stem stands. */
function turnChannels(up: SettingUp, stands: readonly StemStand[]): void {
  const cells = new Map<DeviceId, ReadyCell[]>();
  for (const { inputs, track } of stands)
    inputs.forEach(({ strip, device }, side) => {
      if (strip === undefined) return;
      const pan = inputs.length === 1 ? track.pan : side === 0 ? -100 : 100;
      cells.set(device, [
        ...(cells.get(device) ?? []),
        { row: strip.row, column: 'source', text: strip.source },
        { row: strip.row, column: 'toMix', text: 'on' },
        { row: strip.row, column: 'pan', text: panText(pan) },
      ]);
    });
  for (const [device, own] of cells) up.cells(device, own);
}

/** Stems that are where they were, with their lines: what somebody set on their channels since stays. */
const standsStill = (before: readonly StemStand[], { stem }: StemStand): boolean =>
  before.some(
    (was) =>
      was.stem.track === stem.track &&
      was.lines.length > 0 &&
      was.stem.inputs?.join() === stem.inputs?.join(),
  );

/** Gives stems their places, and brings their tracks there: outputs of the host, mono switches, lines. */
export function placeStems(up: SettingUp, id: SumId, isAnew: boolean): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  const before = stemStands(up.it.context, sum);
  sharePlaces(up, sum, isAnew);
  const placed = sumNamed(up, id);
  if (placed === undefined) return;
  const groups = apartHere(up, placed, groupsOf(stemStands(up.it.context, placed)));
  const outputs = outputsFor(up, placed, groups, isAnew);
  routeTracks(up, groups, outputs);
  const stands = stemStands(up.it.context, placed);
  turnMono(up, stands);
  turnChannels(
    up,
    stands.filter((stand) => !standsStill(before, stand)),
  );
  dropLines(up, before, stands);
  const keys = new Set(groups.map(({ key }) => key));
  routeLines(
    up,
    groupsOf(stands).filter(({ key }) => keys.has(key)),
    outputs,
  );
}
