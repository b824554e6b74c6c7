import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { PlaybackDeed } from '@ft/core/actions/playback/playbackDeed';
import { playbackDeed } from '@ft/core/actions/playback/playbackDeed';
import type { ScopeEntry } from '@ft/core/actions/playback/scopeCells';
import { scopeCells } from '@ft/core/actions/playback/scopeCells';
import type { PlaybackCheckId } from '@ft/core/rig/ids';
import type { FlipView } from '@ft/core/views/playback/flipView';
import { flipView } from '@ft/core/views/playback/flipView';
import type { PlaybackGear } from '@ft/core/views/playback/playbackGear';
import { playbackGear } from '@ft/core/views/playback/playbackGear';
import type { PlaybackView } from '@ft/core/views/playback/playbackView';
import { playbackView } from '@ft/core/views/playback/playbackView';
import type { WorkerState } from './worker-state';

/** What the playback check page may ask. */
export interface PlaybackAnswers {
  playbackChecks(): PlaybackView;
  /** What a check can be set up with. */
  playbackGear(): PlaybackGear;
  /** The work from one state of a check to the other, both ways. */
  flip(check: PlaybackCheckId): FlipView | undefined;
  /** What a deed comes to: looked at first, then made. */
  playbackDeed(deed: PlaybackDeed): ChannelPlan;
  /** Texts for the cells that say who plays back. */
  scopeCells(check: PlaybackCheckId, entries: readonly ScopeEntry[]): CellsEdits;
}

/** Answers about the playback checks of the session last planned. */
export const createPlaybackAnswers = (there: () => WorkerState): PlaybackAnswers => ({
  playbackChecks: () => playbackView(there().context),
  playbackGear: () => playbackGear(there().context),
  flip: (check) => flipView(there().studio, there().place, check),
  playbackDeed: (deed) => playbackDeed(there(), deed),
  scopeCells: (check, entries) => scopeCells(there(), check, entries),
});
