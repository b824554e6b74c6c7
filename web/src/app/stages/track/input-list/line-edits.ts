import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LineCell, LineField } from '@ft/core/actions/track/lineCells';
import { movedTo } from '@ft/core/actions/movedItem';
import { movedLineEdits } from '@ft/core/actions/track/movedLine';
import type { FieldChange } from '@ft/core/edits/make';
import { fieldRead } from '@ft/core/edits/make';
import type { StationId } from '@ft/core/rig/ids';
import { threadsIn } from '@ft/core/session/sessionSchema';
import type { LineFigure, LineText } from '@ft/core/typed/thread/lineText';
import { readLineText } from '@ft/core/typed/thread/lineText';
import type { PlanRow } from '@ft/core/views/plan';
import type { Choice } from '@ft/core/views/track/choices';
import { SettingChanges } from '../../../shell/inspector/setting-changes';
import { Changes } from '../../../state/changes';
import { cellsLabel, enterCells } from '../../../state/enter-cells';
import { PlanActions } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../../ui/sheet/sheet-column';
import { Planner } from '../../../workers/planner.service';
import { choiceFieldOf, settingIn, stationIn } from './columns';
import { ThreadChanges } from './thread-changes';

type Column = SheetColumn<PlanRow>;
type Entry = SheetEntry<PlanRow>;
type Refusals = readonly SheetRefusal<PlanRow>[];

const remarkOf = ({ note, cords }: Choice): string | undefined =>
  note ?? (cords === undefined ? undefined : `${String(cords)} ${cords === 1 ? 'cord' : 'cords'}`);

/** Turns what a person does in the cells of the input list into changes. */
@Injectable({ providedIn: 'root' })
export class LineEdits implements SheetEdits<PlanRow> {
  private readonly changes = inject(Changes);
  private readonly lines = inject(ThreadChanges);
  private readonly planner = inject(Planner);
  private readonly settings = inject(SettingChanges);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);

  enter(entries: readonly Entry[], way: SheetWay): Refusals | Promise<Refusals> {
    const [only] = entries;
    return entries.length === 1 && only !== undefined && way === 'typed'
      ? this.enterTyped(only)
      : this.enterAll(entries, way);
  }

  async search(row: PlanRow, { id }: Column, text: string): Promise<readonly SheetChoice[]> {
    const choices = await this.planner.api.choices(row.thread, choiceFieldOf(id as LineField), text);
    return choices.map((choice) => {
      const note = remarkOf(choice);
      return { ...choice, ...(note !== undefined && { note }) };
    });
  }

  /** Puts a chosen microphone or station into its cell: a station chosen is a pin, a processor an insert. */
  choose(row: PlanRow, { id, title }: Column, choice: SheetChoice): void {
    if (id === 'inserts') {
      const { inserts } = row.thread;
      const value = [...inserts, choice.id as StationId];
      void this.set(row, { field: 'inserts', value, was: inserts }, title, choice.name);
    } else {
      const field = id as FieldChange<'thread'>['field'];
      const was = id === 'from' ? row.thread.from : pinned(row, id);
      void this.set(row, fieldRead('thread', field, choice.id, was), title, choice.name);
    }
  }

  /** Delete: unpins a station, takes off the last insert; a switch and a microphone cannot be emptied. */
  clear(row: PlanRow, { id, title }: Column): boolean {
    if (id === 'inserts') {
      const { inserts } = row.thread;
      if (inserts.length > 0)
        void this.set(row, { field: 'inserts', value: inserts.slice(0, -1), was: inserts }, title);
      return true;
    }
    const was = pinned(row, id);
    if (was !== null)
      void this.set(
        row,
        fieldRead('thread', id as FieldChange<'thread'>['field'], null, was),
        `Unpin ${title}`,
      );
    return id.startsWith('pins.') || ['from', 'number', 'gainDb', 'phantom', 'status'].includes(id);
  }

  /** Space: pins what the router chose or unpins it; throws a switch. */
  toggle(row: PlanRow, column: Column): void {
    const setting = settingIn(row, column.id);
    if (setting !== undefined && typeof setting.value === 'boolean')
      this.settings.set(setting, row.name, !setting.value);
    const station = stationIn(row, column.id);
    if (station === undefined) return;
    const field = column.id as FieldChange<'thread'>['field'];
    if (station.pinned) this.clear(row, column);
    else void this.set(row, fieldRead('thread', field, station.id, null), `Pin ${column.title}`);
  }

  /** Enter on the status of a line shows its first finding. */
  open(row: PlanRow): void {
    const key = row.findings[0];
    if (key !== undefined) this.store.dispatch(PlanActions.selectFinding({ key }));
  }

  /** Puts an insert elsewhere in the order of those its line passes. */
  moveInsert(row: PlanRow, from: number, to: number): void {
    const was = row.thread.inserts;
    void this.set(row, { field: 'inserts', value: movedTo(was, from, to), was }, 'order of inserts');
  }

  move({ thread, name }: PlanRow, by: number): void {
    const found = this.found();
    if (found === undefined) return;
    const { session, scene } = found;
    const edits = movedLineEdits(session, threadsIn(session, scene), thread.id, by);
    if (edits.length > 0) this.changes.make(`${name} put ${by > 0 ? 'further down' : 'further up'}`, edits);
  }

  remove(row: PlanRow): void {
    void this.lines.remove(row);
  }

  /** One cell somebody typed into: what is wrong with it is known at once. */
  private enterTyped(entry: Entry): Refusals {
    const { row, column, text } = entry;
    const setting = settingIn(row, column.id);
    const refuse = (sentence: string): Refusals => [{ entry, sentence }];
    if (column.id === 'gainDb') {
      if (setting === undefined) return refuse('This line has no preamp yet. Route it first.');
      const sentence = this.settings.enter(setting, row.name, text);
      return sentence === undefined ? [] : refuse(sentence);
    }
    const field = column.id as LineText | LineFigure;
    const read = readLineText(field, text);
    if (!read.ok) return refuse(read.sentence);
    const change: FieldChange<'thread'> = fieldRead('thread', field, read.value, row.thread[field]);
    if (change.value !== change.was) void this.set(row, change, column.title, text.trim());
    return [];
  }

  /** Many cells at once, or a text for a cell that is chosen: one change for all that fit. */
  private enterAll(entries: readonly Entry[], way: SheetWay): Promise<Refusals> {
    const cells = entries.map(({ row, column, text }): LineCell => ({
      ...{ thread: row.thread.id, field: column.id as LineField, text },
    }));
    const label = `Input list: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.lineCells(cells));
  }

  /** @param typed what the person typed or chose, in words: kept in the cell should the change be refused. */
  private async set(row: PlanRow, change: FieldChange<'thread'>, title: string, typed = ''): Promise<void> {
    const { id } = row.thread;
    const draft = typed === '' ? undefined : { key: `${id}:${change.field}`, text: typed };
    await this.changes.work(`${row.name}: ${title}`, (api) => api.changeThread(id, change), draft);
  }
}

/** The station a cell is pinned to, or null. */
function pinned(row: PlanRow, id: string): StationId | null {
  const station = stationIn(row, id);
  return station?.pinned === true ? station.id : null;
}
