import { editRemove } from '../../edits/make';
import type { PlaybackCheckId, SceneId } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import type { ChannelPlan } from '../consoles/channelPlan';
import type { WorkPlace } from '../workPlace';
import { armedEdits } from './armedEdits';
import { findCheck } from './findCheck';
import { heldGains, trimAsGain } from './heldGains';
import { scopeOfCheck } from './scope';
import { setUpPlayback } from './setUpPlayback';
import { newTrainee, resetTrainee } from './trainees';
import type { PlaybackWish } from './wishes';

/** What is done with a playback check in one step: looked at as a plan first, then made as one change. */
export type PlaybackDeed =
  | { readonly does: 'set-up'; readonly wish: PlaybackWish }
  /** Channels, by their rows, that play back; the others stay live. */
  | { readonly does: 'scope'; readonly check: PlaybackCheckId; readonly playing: readonly string[] }
  /** Gains wanted on stage, one or all. */
  | {
      readonly does: 'apply-gains' | 'undo-gains';
      readonly check: PlaybackCheckId;
      readonly key?: SettingKey;
    }
  | { readonly does: 'trim-as-gain'; readonly check: PlaybackCheckId; readonly key: SettingKey }
  /** The tracks armed in the live scene, or not. */
  | { readonly does: 'arm'; readonly check: PlaybackCheckId; readonly isArmed: boolean }
  | { readonly does: 'trainee'; readonly check: PlaybackCheckId; readonly name: string }
  | { readonly does: 'reset'; readonly scene: SceneId }
  /** The check alone: its scenes stay as they are. */
  | { readonly does: 'remove'; readonly check: PlaybackCheckId };

const NOTHING: ChannelPlan = { edits: [], changes: [], refused: [] };

function armed(it: WorkPlace, id: PlaybackCheckId, isArmed: boolean): ChannelPlan {
  const up = findCheck(it, id);
  if (up === undefined) return NOTHING;
  const tracks = up.channels.flatMap(({ recordedOn }) => recordedOn ?? []);
  const edits = armedEdits(it, up.check.live, up.recorder, tracks, isArmed);
  const to = isArmed ? 'armed' : 'not armed';
  return {
    ...NOTHING,
    edits,
    changes:
      edits.length === 0 ? [] : [{ row: up.recorder.name, column: 'tracks of the check', from: '', to }],
  };
}

function removed({ context: { session } }: WorkPlace, id: PlaybackCheckId): ChannelPlan {
  const check = session.playbackChecks.find((each) => each.id === id);
  if (check === undefined) return NOTHING;
  return {
    ...NOTHING,
    edits: [editRemove('playbackCheck', { session: session.id }, id, check)],
    changes: [{ row: check.name, column: 'check', from: 'there', to: 'removed' }],
  };
}

/** What a deed comes to, before it is made. */
export function playbackDeed(it: WorkPlace, deed: PlaybackDeed): ChannelPlan {
  switch (deed.does) {
    case 'set-up':
      return setUpPlayback(it, deed.wish);
    case 'scope':
      return scopeOfCheck(it, deed.check, deed.playing);
    case 'apply-gains':
      return heldGains(it, deed.check, 'apply', deed.key);
    case 'undo-gains':
      return heldGains(it, deed.check, 'undo', deed.key);
    case 'trim-as-gain':
      return trimAsGain(it, deed.check, deed.key);
    case 'arm':
      return armed(it, deed.check, deed.isArmed);
    case 'trainee':
      return newTrainee(it, deed.check, deed.name);
    case 'reset':
      return resetTrainee(it, deed.scene);
    case 'remove':
      return removed(it, deed.check);
  }
}
