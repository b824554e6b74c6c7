import type { CueId, DeviceId } from '../../rig/ids';
import type { ChannelPlan } from '../consoles/channelPlan';
import type { ClickWish } from './clickInCues';
import { clickInCues } from './clickInCues';
import { copiedCue } from './copiedCue';
import type { WorkPlace } from '../workPlace';
import { headphonesOnly } from './headphonesOnly';
import { heardBy } from './setUp/heardBy';
import type { MoreMeWish } from './moreMe';
import { moreMe } from './moreMe';
import { roomMixToCue } from './roomMixToCue';
import type { CueWish } from './setUp/setUpCue';
import { setUpCue } from './setUp/setUpCue';
import { unwornMuted, volumesAtStart, volumesToZero } from './volumes';

/** What is done with cues in one step: looked at as a plan first, then made as one change. */
export type CueDeed =
  | { readonly does: 'set-up'; readonly wish: CueWish }
  | { readonly does: 'copy'; readonly from: CueId; readonly to: readonly CueId[] }
  | { readonly does: 'more-me'; readonly wish: MoreMeWish }
  | { readonly does: 'click'; readonly wish: ClickWish }
  | { readonly does: 'headphones-only'; readonly cue: CueId; readonly source: string }
  | { readonly does: 'room-mix'; readonly cue: CueId }
  /** Volumes to where an ear starts, or down to the bottom: of some cues, or all. */
  | { readonly does: 'volumes-at-start' | 'volumes-to-zero'; readonly cues?: readonly CueId[] }
  | { readonly does: 'heard-by'; readonly cue: CueId; readonly headphones: DeviceId }
  | { readonly does: 'mute-unworn' };

/** What a deed comes to, before it is made. */
export function cueDeed(it: WorkPlace, deed: CueDeed): ChannelPlan {
  switch (deed.does) {
    case 'set-up':
      return setUpCue(it, deed.wish);
    case 'copy':
      return copiedCue(it, deed.from, deed.to);
    case 'more-me':
      return moreMe(it, deed.wish);
    case 'click':
      return clickInCues(it, deed.wish);
    case 'headphones-only':
      return headphonesOnly(it, deed.cue, deed.source);
    case 'room-mix':
      return roomMixToCue(it, deed.cue);
    case 'volumes-at-start':
      return volumesAtStart(it, deed.cues);
    case 'volumes-to-zero':
      return volumesToZero(it, deed.cues);
    case 'heard-by':
      return heardBy(it, deed.cue, deed.headphones);
    case 'mute-unworn':
      return unwornMuted(it);
  }
}
