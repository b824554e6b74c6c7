import type { StemStand } from '../../../mix/sum/sumStand';
import { stemStands } from '../../../mix/sum/sumStand';
import type { SumId } from '../../../rig/ids';
import type { SettingKey } from '../../../rig/settings';
import { settingKeyOf } from '../../../rig/settings';
import type { SettingUp } from '../../settingUp';
import { groupsOf, outputsFor, routeTracks } from './placeOutputs';
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

/** Gives stems their places, and brings their tracks there: outputs of the host, mono switches, lines. */
export function placeStems(up: SettingUp, id: SumId, isAnew: boolean): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  const before = stemStands(up.it.context, sum);
  sharePlaces(up, sum, isAnew);
  const placed = sumNamed(up, id);
  if (placed === undefined) return;
  const groups = groupsOf(stemStands(up.it.context, placed));
  const outputs = outputsFor(up, placed, groups, isAnew);
  routeTracks(up, groups, outputs);
  const stands = stemStands(up.it.context, placed);
  turnMono(up, stands);
  dropLines(up, before, stands);
  routeLines(up, groupsOf(stands), outputs);
}
