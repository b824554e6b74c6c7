import { OWN_RECORDING, THE_COMPUTER } from '../../rig/catalogue/digital/multitrackRecorder';
import type { DeviceId } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import type { SettingKey } from '../../rig/settings';
import { settingKeyOf } from '../../rig/settings';
import type { CheckScene } from '../../playback/checkScene';

/** Whether the driver of a recorder leads to a host. */
const isBeside = ({ rig }: CheckScene, { id }: Device, host: DeviceId): boolean =>
  rig.hardwires.some(({ from, to }) => {
    const streams = [from, to].filter((lane) => lane.startsWith(`${id}/stream-`));
    return streams.length > 0 && [from, to].some((lane) => lane.startsWith(`${host}/`));
  });

/** How the switches of recorders have to stand so that one of them, or the host, is heard. */
export function recorderSwitches(at: CheckScene, recorder: Device): ReadonlyMap<SettingKey, number> {
  if (recorder.type !== 'dawHost') return new Map([[settingKeyOf(recorder.id, 'plays', 1), OWN_RECORDING]]);
  const between = at.rig.devices.filter(
    (device) => device.type === 'multitrackRecorder' && isBeside(at, device, recorder.id),
  );
  return new Map(between.map(({ id }) => [settingKeyOf(id, 'plays', 1), THE_COMPUTER]));
}

/** The switch that arms a track of a recorder of its own. */
export const armKey = (recorder: Device, track: number): SettingKey =>
  settingKeyOf(recorder.id, 'recordArm', track);
