import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { CueId, DeviceId } from '../../rig/ids';
import type { Session } from '../../session/sessionSchema';

/** Puts a pair of headphones on a cue, or takes it off. Its wearer and its volume stay. */
export function pairOnCue(session: Session, id: CueId, headphones: DeviceId, isOn: boolean): readonly Edit[] {
  const cue = session.cues.find((each) => each.id === id);
  const isThere = cue?.headphones.some((pair) => pair.id === headphones) === true;
  if (cue === undefined || isThere === isOn) return [];
  const value = isOn
    ? [...cue.headphones, { id: headphones }]
    : cue.headphones.filter((pair) => pair.id !== headphones);
  return [editSet('cue', { session: session.id }, id, { field: 'headphones', value, was: cue.headphones })];
}
