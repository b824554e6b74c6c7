import { knobsOf } from '../../consoles/cells/channelCell';
import { deskOf } from '../../consoles/desk';
import type { DeviceId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { SettingCell } from '../settingCells';
import { knobCells } from '../settingCells';

/** The level knobs of a row, in the order of its columns: each can be turned on trial. */
export function rowKnobs(context: WorkedScene, id: DeviceId, row: string): readonly SettingCell[] {
  const desk = deskOf(context, id);
  const cells = desk?.rows.find((each) => each.id === row)?.cells ?? {};
  return (desk?.columns ?? []).flatMap(({ id: column }) => {
    const placed = cells[column];
    if (placed === undefined) return [];
    return knobCells(context, placed.device.id, knobsOf(placed.cell)).filter(
      ({ spec }) => spec.unit === 'dB' && spec.range?.positions === undefined,
    );
  });
}
