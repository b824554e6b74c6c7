import { editSet } from '../../edits/make';
import { gainsHeld, trimsHeld } from '../../playback/gainsHeld';
import type { PlaybackCheckId } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import type { ChannelPlan } from '../consoles/channelPlan';
import type { WorkPlace } from '../workPlace';
import { findCheck } from './findCheck';
import type { KnobTurn } from './knobTurn';
import { knobTurn } from './knobTurn';

const NOTHING: ChannelPlan = { edits: [], changes: [], refused: [] };

const planned = (turns: readonly KnobTurn[]): ChannelPlan => ({
  ...NOTHING,
  edits: turns.flatMap(({ edits }) => edits),
  changes: turns.flatMap(({ change }) => change ?? []),
});

/** Gains wanted on stage are set in the live scene, so that the way back turns them; or playback goes back to those of the stage. */
export function heldGains(
  it: WorkPlace,
  id: PlaybackCheckId,
  does: 'apply' | 'undo',
  only?: SettingKey,
): ChannelPlan {
  const up = findCheck(it, id);
  if (up === undefined) return NOTHING;
  const { live, playback } = up.check;
  const held = [...gainsHeld(up), ...(does === 'undo' ? trimsHeld(up) : [])].filter(
    ({ key }) => only === undefined || key === only,
  );
  return planned(
    held.map(({ key, from, to }) =>
      does === 'apply' ? knobTurn(it, live, key, to) : knobTurn(it, playback, key, from),
    ),
  );
}

/**
 * Gives the stage the gain that does there what a digital trim does to the recording: the trim stays where it is in
 * playback, since what is recorded stays as loud as it is.
 */
export function trimAsGain(it: WorkPlace, id: PlaybackCheckId, key: SettingKey): ChannelPlan {
  const up = findCheck(it, id);
  const trim = up && trimsHeld(up).find((each) => each.key === key);
  if (up === undefined || trim === undefined) return NOTHING;
  const plan = planned([knobTurn(it, up.check.live, trim.gain.key, trim.gain.to)]);
  const was = up.check.carried ?? null;
  const value = { ...was, [key]: trim.to };
  const carried = editSet('playbackCheck', { session: it.place.session }, id, {
    field: 'carried',
    value,
    was,
  });
  return { ...plan, edits: [...plan.edits, carried] };
}
