import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { JobCell } from '@ft/core/actions/mix/jobs/jobCells';
import { jobCells } from '@ft/core/actions/mix/jobs/jobCells';
import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import type { InsertsView } from '@ft/core/views/mix/insertsView';
import { insertsView } from '@ft/core/views/mix/insertsView';
import type { MonoCheckView } from '@ft/core/views/mix/monoCheckView';
import { monoCheckView } from '@ft/core/views/mix/monoCheckView';
import type { NameLine } from '@ft/core/views/mix/nameList';
import { nameList } from '@ft/core/views/mix/nameList';
import type { WorkerState } from './worker-state';

/** What the insert page may ask. */
export interface JobAnswers {
  inserts(): InsertsView;
  nameList(): readonly NameLine[];
  /** What stereo tracks lose in mono. */
  monoChecks(): readonly MonoCheckView[];
  /** What a deed comes to: looked at first, then made. */
  jobDeed(deed: JobDeed): ChannelPlan;
  /** Texts for cells of the insert sheet. */
  jobCells(cells: readonly JobCell[]): CellsEdits;
}

/** Answers about the jobs of the session last planned. */
export const createJobAnswers = (there: () => WorkerState): JobAnswers => ({
  inserts: () => insertsView(there().context),
  nameList: () => nameList(there().context),
  monoChecks: () => monoCheckView(there().context),
  jobDeed: (deed) => jobDeed(there(), deed),
  jobCells: (cells) => jobCells(there(), cells),
});
