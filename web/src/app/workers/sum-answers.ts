import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { BusCell } from '@ft/core/actions/mix/desk/busCells';
import { busCells } from '@ft/core/actions/mix/desk/busCells';
import type { SumCell } from '@ft/core/actions/mix/sums/sumCells';
import { sumCells } from '@ft/core/actions/mix/sums/sumCells';
import type { SumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import { sumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { SumId, TrackId } from '@ft/core/rig/ids';
import { nextBestOf } from '@ft/core/views/mix/nextBest';
import type { SummingView } from '@ft/core/views/mix/summingView';
import { summingView } from '@ft/core/views/mix/summingView';
import type { WorkerState } from './worker-state';

/** What the summing page may ask. */
export interface SumAnswers {
  summing(): SummingView;
  /** What would be next best for a stem, in words. */
  nextBest(stem: { readonly sum: SumId; readonly track: TrackId }): string;
  /** What a deed comes to: looked at first, then made. */
  sumDeed(deed: SumDeed): ChannelPlan;
  /** Texts for cells of the summing sheet. */
  sumCells(cells: readonly SumCell[]): CellsEdits;
  /** Texts for cells of the buses of a console mix. */
  busCells(cells: readonly BusCell[]): CellsEdits;
}

/** Answers about the sums of the session last planned. */
export const createSumAnswers = (there: () => WorkerState): SumAnswers => ({
  summing: () => summingView(there().context),
  nextBest: ({ sum, track }) => nextBestOf(there().context, sum, track),
  sumDeed: (deed) => sumDeed(there(), deed),
  sumCells: (cells) => sumCells(there(), cells),
  busCells: (cells) => busCells(there(), cells),
});
