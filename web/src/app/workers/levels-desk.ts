import type { CheckContext, PlannedThread } from '@ft/core/checks/context';
import type { Contribution, SumRow } from '@ft/core/plan/levels/sumView';
import { contributions, sumRows } from '@ft/core/plan/levels/sumView';
import type { LineUpRow } from '@ft/core/plan/levels/lineUpSheet';
import { lineUpSheet } from '@ft/core/plan/levels/lineUpSheet';
import type { OutboardAdvice, ThreadAdvice } from '@ft/core/plan/advice/adviceView';
import { outboardAdvice, threadAdvice } from '@ft/core/plan/advice/adviceView';
import type { RepairPreview } from '@ft/core/plan/repairs/repairs';
import { repairPreviews } from '@ft/core/plan/repairs/repairs';
import { runChecks } from '@ft/core/checks/runChecks';
import type { LaneId, ThreadId } from '@ft/core/rig/ids';
import type { ClockView, RatePreview } from '@ft/core/plan/time/clockView';
import { atRate, clockView } from '@ft/core/plan/time/clockView';
import type { TimeView } from '@ft/core/plan/time/timeView';
import { timeView } from '@ft/core/plan/time/timeView';
import type { SampleRateHz } from '@ft/core/units/sampleRates';
import type { Desk } from './planner-api';

/** What the screens of levels, time, clocks and findings may ask. */
export interface LevelsDesk {
  sums(): readonly SumRow[];
  contributions(lane: LaneId): readonly Contribution[];
  threadAdvice(id: ThreadId): ThreadAdvice | undefined;
  outboardAdvice(sweetDbu: number): OutboardAdvice;
  lineUp(): readonly LineUpRow[];
  /** Ready changes that mend a finding, with what each would do. */
  repairs(key: string): readonly RepairPreview[];
  time(): TimeView;
  clock(): ClockView;
  atRate(rateHz: SampleRateHz): RatePreview;
}

/** Answers about levels and time of the scene last planned. */
export function createLevelsDesk(there: () => Desk): LevelsDesk {
  const context = (): CheckContext => there().context;
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
    clock: () => clockView(context()),
    atRate: (rateHz) => atRate(context(), rateHz),
  };
}
