import type { WorkedScene, PlannedThread } from '@ft/core/scene/workedScene';
import type { Contribution, SumRow } from '@ft/core/views/levels/sumView';
import { contributions, sumRows } from '@ft/core/views/levels/sumView';
import type { LineUpRow } from '@ft/core/views/levels/lineUpSheet';
import { lineUpSheet } from '@ft/core/views/levels/lineUpSheet';
import type { OutboardAdvice } from '@ft/core/actions/advice/outboardAdvice';
import type { ThreadAdvice } from '@ft/core/actions/advice/threadAdvice';
import { outboardAdvice } from '@ft/core/actions/advice/outboardAdvice';
import { threadAdvice } from '@ft/core/actions/advice/threadAdvice';
import type { RepairPreview } from '@ft/core/actions/repairs/repairs';
import { repairPreviews } from '@ft/core/actions/repairs/repairs';
import { runChecks } from '@ft/core/checks/runChecks';
import type { LaneId, ThreadId } from '@ft/core/rig/ids';
import type { ClockPair } from '@ft/core/views/time/clockSchools';
import { clockSchools } from '@ft/core/views/time/clockSchools';
import type { ClockView } from '@ft/core/views/time/clockView';
import type { RatePreview } from '@ft/core/views/time/ratePreview';
import { clockView } from '@ft/core/views/time/clockView';
import { atRate } from '@ft/core/views/time/ratePreview';
import type { TimeView } from '@ft/core/views/time/timeView';
import { timeView } from '@ft/core/views/time/timeView';
import type { SampleRateHz } from '@ft/core/units/sampleRates';
import type { WorkerState } from './worker-state';

/** What the screens of levels, time, clocks and findings may ask. */
export interface LevelsAnswers {
  sums(): readonly SumRow[];
  contributions(lane: LaneId): readonly Contribution[];
  threadAdvice(id: ThreadId): ThreadAdvice | undefined;
  outboardAdvice(sweetDbu: number): OutboardAdvice;
  lineUp(): readonly LineUpRow[];
  /** Ready changes that mend a finding, with what each would do. */
  repairs(key: string): readonly RepairPreview[];
  time(): TimeView;
  clock(): ClockView;
  /** Which of two devices on a digital link may lead. */
  clockSchools(): readonly ClockPair[];
  atRate(rateHz: SampleRateHz): RatePreview;
}

/** Answers about levels and time of the scene last planned. */
export function createLevelsAnswers(there: () => WorkerState): LevelsAnswers {
  const context = (): WorkedScene => there().context;
  const planned = (id: ThreadId): PlannedThread | undefined =>
    context().threads.find(({ thread }) => thread.id === id);
  return {
    sums: () => sumRows(context()),
    contributions: (lane) => contributions(context(), lane),
    threadAdvice(id) {
      const thread = planned(id);
      return thread && threadAdvice(context(), there().place, thread);
    },
    outboardAdvice: (sweetDbu) => outboardAdvice(context(), there().place, sweetDbu),
    lineUp: () => lineUpSheet(context()),
    repairs(key) {
      const found = runChecks(context()).findings.find((each) => each.key === key);
      return found === undefined
        ? []
        : repairPreviews(there().studio, there().place, context(), found.finding, key);
    },
    time: () => timeView(context()),
    clockSchools: () => clockSchools(there().context),
    clock: () => clockView(context()),
    atRate: (rateHz) => atRate(context(), rateHz),
  };
}
