import { Injectable } from '@angular/core';
import type { Remote } from 'comlink';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { JobCell } from '@ft/core/actions/mix/jobs/jobCells';
import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { JOB_STATES } from '@ft/core/session/jobSchema';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { JobRow } from '@ft/core/views/mix/insertsView';
import { cellsLabel, enterCells } from '../../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../../ui/sheet/sheet-column';
import type { PlannerApi } from '../../../workers/planner-api';
import { Deeds } from '../../deeds';

/** Turns what a person does with the jobs of the mix into changes. */
@Injectable()
export class InsertEdits extends Deeds<JobDeed> implements SheetEdits<JobRow> {
  async enter(
    entries: readonly SheetEntry<JobRow>[],
    way: SheetWay,
  ): Promise<readonly SheetRefusal<JobRow>[]> {
    const [first] = entries;
    if (first === undefined) return [];
    const cells = entries.map(({ row, column, text }): JobCell => ({
      ...{ job: row.id, field: column.id as JobCell['field'], text },
    }));
    const label =
      cells.length === 1
        ? `${first.row.on}, job ${String(first.row.number)}: ${first.column.title.toLowerCase()}`
        : `Jobs: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.jobCells(cells));
  }

  search(_: JobRow, __: SheetColumn<JobRow>, text: string): Promise<readonly SheetChoice[]> {
    const names = JOB_STATES.filter((name) => nameMatches(name, text));
    return Promise.resolve(names.map((name) => ({ id: name, name })));
  }

  choose(row: JobRow, column: SheetColumn<JobRow>, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  remove(row: JobRow): void {
    void this.make(`${row.on}: job removed`, { does: 'remove-job', job: row.id });
  }

  plan(api: Remote<PlannerApi>, deed: JobDeed): Promise<ChannelPlan> {
    return api.jobDeed(deed);
  }
}
