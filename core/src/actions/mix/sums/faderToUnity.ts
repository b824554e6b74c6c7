import { editSet } from '../../../edits/make';
import type { TrackId } from '../../../rig/ids';
import type { Slot, Track } from '../../../session/daw/trackSchema';
import { MOST_SLOTS } from '../../../session/daw/trackSchema';
import { formatGain } from '../../../units/format';
import type { SettingUp } from '../../settingUp';

const NAME = 'Trim after the inserts';

/** The trim a fader stands for, in the last slot: behind every insert, or their thresholds would shift. */
function withTrim(inserts: Track['inserts'], gainDb: number): Track['inserts'] | undefined {
  const at = inserts.findIndex((slot) => slot?.kind === 'plugin' && slot.name === NAME);
  const was = inserts[at];
  const before = was?.kind === 'plugin' ? (was.gainDb ?? 0) : 0;
  const trim: Slot = {
    kind: 'plugin',
    name: NAME,
    delaySamples: 0,
    gainDb: Math.round((before + gainDb) * 10) / 10,
  };
  const now = [...inserts.filter((_, i) => i !== at), trim];
  return now.length > MOST_SLOTS ? undefined : now;
}

/** Puts faders at unity and what they did into a trim behind the inserts: the balance stays to a tenth of a dB. */
export function fadersToUnity(up: SettingUp, tracks: readonly TrackId[]): void {
  for (const id of tracks) {
    const track = up.it.context.session.tracks.find((each) => each.id === id);
    if (track === undefined || Math.abs(track.faderDb) < 0.05) continue;
    const inserts = withTrim(track.inserts, track.faderDb);
    if (inserts === undefined) {
      up.leaveOut(track.name, 'fader', `${track.name} has no slot left for a trim. Free one, and try again.`);
      continue;
    }
    const place = { session: up.it.place.session };
    const isMade = up.make([
      editSet('track', place, id, { field: 'inserts', value: inserts, was: track.inserts }),
      editSet('track', place, id, { field: 'faderDb', value: 0, was: track.faderDb }),
    ]);
    if (isMade) up.say(track.name, 'fader', `0.0 dB, and ${formatGain(track.faderDb)} dB behind the inserts`);
  }
}
