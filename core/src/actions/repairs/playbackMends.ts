import type { Finding } from '../../checks/finding';
import { checksOf } from '../../playback/checksOf';
import type { CheckFault } from '../../playback/checkFaults';
import { gainsHeld } from '../../playback/gainsHeld';
import { partsOfSettingKey } from '../../rig/settings';
import { armedEdits } from '../playback/armedEdits';
import { heldGains } from '../playback/heldGains';
import type { Bench, Figures, Repair } from './repair';
import { refOf, single } from './repair';

const isArmed = (fault: CheckFault): fault is Extract<CheckFault, { code: 'armed' }> =>
  fault.code === 'armed';

/** The tracks no longer armed in the playback scene. */
export function disarm(
  bench: Bench,
  _figures: Figures<'armed-in-playback'>,
  finding: Finding,
): readonly Repair[] {
  const recorder = refOf(finding, 'device');
  return checksOf(bench.context)
    .filter(({ up }) => up.recorder.id === recorder)
    .flatMap(({ up, faults }) =>
      faults
        .filter(isArmed)
        .flatMap(({ tracks }) =>
          single(
            `Take the arming away in ${up.playback.scene.name}`,
            armedEdits(bench, up.check.playback, up.recorder, tracks, false),
          ),
        ),
    );
}

/** The gain on stage as well, or in playback as on stage. */
export function carryGain(
  bench: Bench,
  { setting }: Figures<'gain-not-carried'>,
  finding: Finding,
): readonly Repair[] {
  const [device, lane] = [refOf(finding, 'device'), refOf(finding, 'lane')];
  return checksOf(bench.context).flatMap(({ up }) =>
    gainsHeld(up)
      .filter(({ key, channel }) => {
        const parts = partsOfSettingKey(key);
        const isIt = (parts.setting === 'pad') === (setting === 'pad');
        return parts.deviceId === device && isIt && up.live.graph.lanes[channel.live.lane]?.id === lane;
      })
      .flatMap(({ key }) => [
        ...single(
          `Set it in ${up.live.scene.name} as well`,
          heldGains(bench, up.check.id, 'apply', key).edits,
        ),
        ...single(
          `Put it back in ${up.playback.scene.name}`,
          heldGains(bench, up.check.id, 'undo', key).edits,
        ),
      ]),
  );
}
