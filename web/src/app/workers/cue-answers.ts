import { carrierChoices } from '@ft/core/consoles/cues/carriers';
import type { CarrierChoice } from '@ft/core/consoles/cues/carriers';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { CueEntry } from '@ft/core/actions/cues/cueCells';
import { cueCells } from '@ft/core/actions/cues/cueCells';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import { cueDeed } from '@ft/core/actions/cues/cueDeed';
import type { EarEntry } from '@ft/core/actions/cues/earCell';
import { earCells, openMicrophones, wearerNames } from '@ft/core/actions/cues/earCell';
import { removedCue } from '@ft/core/actions/cues/removedCue';
import type { Edit } from '@ft/core/edits/make';
import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { CueId } from '@ft/core/rig/ids';
import type { CueSheetView } from '@ft/core/views/cues/cueSheetView';
import { cueSheetView } from '@ft/core/views/cues/cueSheetView';
import type { WorkerState } from './worker-state';

/** What the cues page may ask. */
export interface CueAnswers {
  cueSheet(): CueSheetView;
  /** Everything a cue can stand on. */
  carriers(): readonly CarrierChoice[];
  /** Names that can wear a pair of headphones. */
  wearers(): readonly string[];
  /** Microphones that are open in the scene, by name. */
  openMicrophones(): readonly string[];
  /** Texts for cells of the cue sheet. */
  cueCells(entries: readonly CueEntry[]): ChannelPlan;
  /** Texts for cells of the list of ears. */
  earCells(entries: readonly EarEntry[]): CellsEdits;
  /** What a deed comes to: looked at first, then made. */
  cueDeed(deed: CueDeed): ChannelPlan;
  /** Volumes of pairs that nobody wears, down. */
  mutedUnworn(): readonly Edit[];
  removeCue(id: CueId): readonly Edit[];
}

/** Answers about the cues of the scene last planned. */
export const createCueAnswers = (there: () => WorkerState): CueAnswers => ({
  cueSheet: () => cueSheetView(there().context),
  carriers: () => carrierChoices(there().context),
  wearers: () => wearerNames(there()),
  openMicrophones: () => openMicrophones(there()).map(({ name }) => name),
  cueCells: (entries) => cueCells(there(), entries),
  earCells: (entries) => earCells(there(), entries),
  cueDeed: (deed) => cueDeed(there(), deed),
  mutedUnworn: () => cueDeed(there(), { does: 'mute-unworn' }).edits,
  removeCue: (id) => removedCue(there(), id),
});
