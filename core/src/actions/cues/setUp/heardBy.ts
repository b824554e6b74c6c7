import type { CueId, DeviceId } from '../../../rig/ids';
import type { ChannelPlan } from '../../consoles/channelPlan';
import { volumesDown } from './boxKnobs';
import { pairOnCue } from '../cueHeadphones';
import type { WorkPlace } from '../../workPlace';
import { drivenOf, routeCue } from './routedCue';
import { SettingUp } from '../../settingUp';

/** One more pair of headphones on a cue: routed where its box is not reached yet, its volume down. */
export function heardBy(it: WorkPlace, id: CueId, headphones: DeviceId): ChannelPlan {
  const up = new SettingUp(it);
  if (drivenOf(up, [headphones]).length > 0) {
    up.make(pairOnCue(it.context.session, id, headphones, true));
    const cue = up.it.context.session.cues.find((each) => each.id === id);
    const name = it.context.devices.get(headphones)?.name ?? headphones;
    if (cue !== undefined) {
      up.say(name, 'cue', cue.name);
      if (!routeCue(up, cue)) return { edits: [], changes: [], refused: up.refused };
      up.knobs(volumesDown(up.it.context, [headphones]));
    }
  }
  return { edits: up.edits, changes: up.changes, refused: up.refused };
}
