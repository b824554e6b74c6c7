import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  computed,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Choice } from '@ft/core/views/track/choices';
import { MOST_WIDE } from '@ft/core/session/sessionSchema';
import type { PlanRow } from '@ft/core/views/plan';
import { DraftActions, draftFeature } from '../../../state/draft.feature';
import { PlanActions, planFeature } from '../../../state/plan.feature';
import { AddLine } from './add-line';
import { CellEditor } from './cell-editor';
import type { Column } from './columns';
import { cellText, COLUMNS, isRightAligned, settingIn, stationIn } from './columns';
import { StatusMark } from './status-mark';
import { draftKey, ThreadChanges } from './thread-changes';
import { Changes } from '../../../state/changes';
import { SceneRouter } from '../../../workers/scene-router.service';
import { Here } from '../../../shell/here';
import { PartPage } from '../../../shell/part';

interface Editing {
  readonly row: number;
  readonly column: number;
  readonly text: string;
  readonly keepText: boolean;
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** The input list: a line a thread, a cell a choice. Keyboard first. */
@Component({
  selector: 'ft-input-list',
  imports: [PartPage, AddLine, CellEditor, RouterLink, StatusMark],
  templateUrl: './input-list.html',
  styleUrl: './input-list.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InputList {
  private readonly all = inject(Changes);
  private readonly store = inject(Store);
  private readonly changes = inject(ThreadChanges);
  protected readonly router = inject(SceneRouter);
  protected readonly here = inject(Here);
  private readonly detector = inject(ChangeDetectorRef);
  private readonly table = viewChild<ElementRef<HTMLTableElement>>('table');
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly strip = this.store.selectSignal(planFeature.selectStrip);
  private readonly drafts = this.store.selectSignal(draftFeature.selectTexts);

  protected readonly columns = COLUMNS;
  protected readonly isRight = isRightAligned;
  protected readonly text = cellText;
  protected readonly station = stationIn;
  protected readonly setting = settingIn;
  protected readonly planned = computed(() => this.plan() !== null);
  protected readonly rows = computed(() => this.plan()?.rows ?? []);
  protected readonly selectedThread = computed(() => this.strip()?.thread);
  protected readonly focus = signal({ row: 0, column: 1 });
  protected readonly editing = signal<Editing | undefined>(undefined);

  private readonly selectedRow = computed(() =>
    this.rows().findIndex(({ thread }) => thread.id === this.selectedThread()),
  );
  protected readonly isSide = computed(() => this.rows()[this.selectedRow()]?.side !== undefined);
  /** The selected line and the one above it, where they can be linked or are. */
  protected readonly linkable = computed(() => {
    const [row, above] = [this.rows()[this.selectedRow()], this.rows()[this.selectedRow() - 1]];
    if (row === undefined || above === undefined) return undefined;
    const isFull = (above.side?.place ?? 1) >= MOST_WIDE;
    return row.side !== undefined || !isFull ? { row, above } : undefined;
  });

  protected link(): void {
    const pair = this.linkable();
    if (pair !== undefined) void this.changes.link(pair.row, pair.above);
  }

  protected draftOf(row: PlanRow, column: Column): string | undefined {
    return this.drafts()[draftKey(row, column)];
  }

  protected isEditing(row: number, column: number): boolean {
    const editing = this.editing();
    return editing?.row === row && editing.column === column;
  }

  protected isFocus(row: number, column: number): boolean {
    return this.focus().row === row && this.focus().column === column;
  }

  protected onFocus(row: number, column: number): void {
    this.focus.set({ row, column });
    const thread = this.rows()[row]?.thread;
    if (thread !== undefined && thread.id !== this.selectedThread())
      this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: thread.id } }));
  }

  protected onKey(event: KeyboardEvent, rowIndex: number, columnIndex: number): void {
    const [row, column] = [this.rows()[rowIndex], this.columns[columnIndex]];
    if (this.editing() !== undefined || row === undefined || column === undefined) return;
    const step = STEPS[event.key];
    if (step !== undefined) this.moveTo(rowIndex + step[0], columnIndex + step[1]);
    else if (event.key === 'Enter' || event.key === 'F2') this.startEdit(row, rowIndex, column, columnIndex);
    else if (event.key === 'Delete' && event.ctrlKey) void this.changes.remove(row);
    else if (event.key === 'Delete' || event.key === 'Backspace') this.clear(row, column);
    else if (event.key === ' ') this.changes.toggle(row, column);
    else if (event.key === 'Escape') this.dropDraft(row, column);
    else if (this.isText(event)) this.startEdit(row, rowIndex, column, columnIndex, event.key);
    else return;
    event.preventDefault();
  }

  /** Opens a cell: with the key just pressed, the text kept from before, or what stands there. */
  protected startEdit(
    row: PlanRow,
    rowIndex: number,
    column: Column,
    columnIndex: number,
    typed?: string,
  ): void {
    const isSwitch = column.kind === 'setting' && column.setting === 'phantom';
    if (column.kind === 'status') this.showFindings(row);
    else if (isSwitch) {
      if (typed === undefined) this.changes.toggle(row, column);
    } else {
      const draft = this.draftOf(row, column);
      const isInserts = column.kind === 'choice' && column.choice === 'processor';
      const text = typed ?? draft ?? (isInserts ? '' : cellText(row, column));
      this.editing.set({
        row: rowIndex,
        column: columnIndex,
        text,
        keepText: typed !== undefined || draft !== undefined,
      });
      // The editor must be there before the next key is pressed, or a quick hand loses letters.
      this.detector.detectChanges();
      if (typed !== undefined) this.onTyped(row, column, typed);
    }
  }

  protected onTyped(row: PlanRow, column: Column, text: string): void {
    this.store.dispatch(DraftActions.keep({ key: draftKey(row, column), text }));
  }

  protected onEntered(
    row: PlanRow,
    column: Column,
    text: string,
    move: 'down' | 'right' | 'left' | 'none',
  ): void {
    const at = this.editing();
    if (at === undefined) return;
    const refusal = this.changes.enter(row, column, text);
    if (refusal === undefined) this.dropDraft(row, column);
    else this.all.complain(`${refusal} What you typed is kept.`);
    this.editing.set(undefined);
    if (move === 'none') return;
    if (refusal !== undefined) this.moveTo(at.row, at.column);
    else
      this.moveTo(
        at.row + (move === 'down' ? 1 : 0),
        at.column + (move === 'right' ? 1 : move === 'left' ? -1 : 0),
      );
  }

  protected onChosen(row: PlanRow, column: Column, choice: Choice): void {
    const at = this.editing();
    this.changes.choose(row, column, choice);
    this.dropDraft(row, column);
    this.editing.set(undefined);
    if (at !== undefined) this.moveTo(at.row, at.column);
  }

  protected onCancelled(row: PlanRow, column: Column): void {
    const at = this.editing();
    this.dropDraft(row, column);
    this.editing.set(undefined);
    if (at !== undefined) this.moveTo(at.row, at.column);
  }

  /** Leaving a choice cell without choosing keeps the text as a draft. */
  protected onLeft(): void {
    this.editing.set(undefined);
  }

  protected remove(row: PlanRow): void {
    void this.changes.remove(row);
  }

  private clear(row: PlanRow, column: Column): void {
    this.dropDraft(row, column);
    this.changes.clear(row, column);
  }

  private dropDraft(row: PlanRow, column: Column): void {
    this.store.dispatch(DraftActions.drop({ key: draftKey(row, column) }));
  }

  private showFindings(row: PlanRow): void {
    const key = row.findings[0];
    if (key !== undefined) this.store.dispatch(PlanActions.selectFinding({ key }));
  }

  private isText(event: KeyboardEvent): boolean {
    return (
      event.key.length === 1 &&
      !event.ctrlKey &&
      !event.metaKey &&
      !event.altKey &&
      !'[]\\/?'.includes(event.key)
    );
  }

  private moveTo(row: number, column: number): void {
    const at = {
      row: Math.max(0, Math.min(row, this.rows().length - 1)),
      column: Math.max(0, Math.min(column, this.columns.length - 1)),
    };
    this.focus.set(at);
    // At once, since the next key belongs to the cell moved to; every cell can be focused, so that nothing
    // has to be drawn before.
    this.table()?.nativeElement.tBodies[0]?.rows[at.row]?.cells[at.column]?.focus();
  }
}
