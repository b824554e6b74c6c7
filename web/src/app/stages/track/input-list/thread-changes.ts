import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PlanRow } from '@ft/core/views/plan';
import type { TypedLine } from '@ft/core/typed/thread/typedThread';
import type { LaneId, ThreadId } from '@ft/core/rig/ids';
import type { Thread } from '@ft/core/session/sessionSchema';
import { newId } from '../../../state/new-id';
import { PlanActions } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import { Changes } from '../../../state/changes';

/** One side of a stereo line by its name. */
const sideNamed = (thread: Thread, side: 'left' | 'right'): Thread => ({
  ...thread,
  source: `${thread.source} ${side}`.trim(),
});

/** Lines of the input list as a whole: added, linked, removed. */
@Injectable({ providedIn: 'root' })
export class ThreadChanges {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);

  /** Adds a typed thread at the end of the list, routed; a stereo one as two linked lines. */
  async add(typed: TypedLine, second?: LaneId): Promise<void> {
    const [place, session] = [this.place(), this.found()?.session];
    if (place === null || session === undefined) return;
    const number = Math.max(0, ...session.threads.map((thread) => thread.number)) + 1;
    const blank = { performer: '', trackName: '', scenes: [place.scene] };
    const newLine = (): ThreadId => `line-${newId().slice(0, 12)}` as ThreadId;
    const thread: Thread = { ...blank, ...typed, id: newLine(), number };
    const other: Thread | undefined =
      second === undefined
        ? undefined
        : {
            ...{ ...blank, ...typed, id: newLine(), number: number + 1, from: second, pins: {}, inserts: [] },
            link: { lead: thread.id, place: 2 },
          };
    const sides = other === undefined ? [thread] : [sideNamed(thread, 'left'), sideNamed(other, 'right')];
    await this.changes.work(`Add line ${String(number)} ${typed.source}`.trim(), (api) =>
      api.addThreads(sides),
    );
    this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: thread.id } }));
  }

  /** Makes a line the next side of the one above it, or lets it stand alone again. */
  async link(row: PlanRow, above: PlanRow): Promise<void> {
    const { id, link = null } = row.thread;
    const before = above.thread.link ?? { lead: above.thread.id, place: 1 };
    const value = link === null ? { lead: before.lead, place: before.place + 1 } : null;
    const label = value === null ? `${row.name} stands alone` : `${row.name} beside ${above.name}`;
    await this.changes.work(label, (api) => api.changeThread(id, { field: 'link', value, was: link }));
  }

  async remove(row: PlanRow): Promise<void> {
    await this.changes.work(`Remove line ${row.name}`, (api) => api.removeThread(row.thread.id));
  }
}
