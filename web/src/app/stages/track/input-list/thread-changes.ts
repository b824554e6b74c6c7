import type { FieldChange } from '@ft/core/edits/make';
import { fieldRead } from '@ft/core/edits/make';
import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Choice } from '@ft/core/views/track/choices';
import type { PlanRow } from '@ft/core/views/plan';
import type { TypedLine } from '@ft/core/typed/thread/typedThread';
import type { LaneId, StationId, ThreadId } from '@ft/core/rig/ids';
import type { Thread } from '@ft/core/session/sessionSchema';
import { SettingChanges } from '../../../shell/inspector/setting-changes';
import { newId } from '../../../state/new-id';
import { PlanActions } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import type { Column, TextField } from './columns';
import { settingIn, stationIn } from './columns';
import { Changes } from '../../../state/changes';
import { typedNumber } from '@ft/core/text/typedNumber';

const NUMERIC: readonly TextField[] = ['number', 'levelDbSpl', 'levelDbu', 'crestDb', 'distanceM'];

/** What was typed in a cell could not be understood: the sentence says what would fit. */
export type CellRefusal = string | undefined;

/** One side of a stereo line by its name. */
const sideNamed = (thread: Thread, side: 'left' | 'right'): Thread => ({
  ...thread,
  source: `${thread.source} ${side}`.trim(),
});

/** Turns what a person does on the input list into changes. */
@Injectable({ providedIn: 'root' })
export class ThreadChanges {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly settings = inject(SettingChanges);
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

  /** Enters a text, number or gain. Returns why not, where it cannot be understood. */
  enter(row: PlanRow, column: Column, text: string): CellRefusal {
    if (column.kind === 'setting') return this.enterSetting(row, column, text);
    if (column.kind !== 'text' && column.kind !== 'number') return undefined;
    const numeric = NUMERIC.includes(column.field);
    const value = numeric ? typedNumber(text) : text.trim();
    if (numeric && value === undefined && (text.trim() !== '' || column.field === 'number'))
      return `“${text}” is not a number. Type one, such as 88.`;
    const was = row.thread[column.field];
    if (value !== was)
      void this.set(row, fieldRead('thread', column.field, value, was), column.title, text.trim());
    return undefined;
  }

  /** Puts a chosen microphone or station into its cell: a station chosen is a pin, a processor an insert. */
  choose(row: PlanRow, column: Column, choice: Choice): void {
    if (column.kind !== 'choice') return;
    if (column.choice === 'processor') {
      const { inserts } = row.thread;
      const value = [...inserts, choice.id as StationId];
      void this.set(row, { field: 'inserts', value, was: inserts }, 'Inserts', choice.name);
    } else {
      const was = column.choice === 'from' ? row.thread.from : (row.thread.pins[column.choice] ?? null);
      void this.set(row, fieldRead('thread', column.field, choice.id, was), column.title, choice.name);
    }
  }

  /** Delete: unpins a station, takes off the last insert, empties a text. */
  clear(row: PlanRow, column: Column): void {
    if (column.kind === 'choice' && column.choice === 'processor') {
      const { inserts } = row.thread;
      if (inserts.length > 0)
        void this.set(row, { field: 'inserts', value: inserts.slice(0, -1), was: inserts }, 'Inserts');
      return;
    }
    const station = stationIn(row, column);
    if (station?.pinned === true && column.kind === 'choice')
      void this.set(row, fieldRead('thread', column.field, null, station.id), `Unpin ${column.title}`);
    if (column.kind === 'text' || column.kind === 'number') {
      if (column.field !== 'number') this.enter(row, column, '');
    }
  }

  /** Space: pins what the router chose or unpins it; throws a switch. */
  toggle(row: PlanRow, column: Column): void {
    const setting = settingIn(row, column);
    if (setting !== undefined && typeof setting.value === 'boolean')
      this.settings.set(setting, row.name, !setting.value);
    const station = stationIn(row, column);
    if (station === undefined) return;
    if (station.pinned) this.clear(row, column);
    else if (column.kind === 'choice')
      void this.set(row, fieldRead('thread', column.field, station.id, null), `Pin ${column.title}`);
  }

  async remove(row: PlanRow): Promise<void> {
    await this.changes.work(`Remove line ${row.name}`, (api) => api.removeThread(row.thread.id));
  }

  private enterSetting(row: PlanRow, column: Column, text: string): CellRefusal {
    const cell = settingIn(row, column);
    if (cell === undefined) return 'This line has no preamp yet. Route it first.';
    return this.settings.enter(cell, row.name, text);
  }

  /** @param typed what the person typed or chose, in words: kept in the cell should the change be refused. */
  private async set(row: PlanRow, change: FieldChange<'thread'>, title: string, typed = ''): Promise<void> {
    const { id } = row.thread;
    const draft = typed === '' ? undefined : { key: `${id}:${change.field}`, text: typed };
    await this.changes.work(`${row.name}: ${title}`, (api) => api.changeThread(id, change), draft);
  }
}

/** The draft of a cell, by line and field. */
export const draftKey = (row: PlanRow, column: Column): string => `${row.thread.id}:${column.field}`;
