import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { editAdd, editRemove } from '@ft/core/edits/make';
import { idFromName } from '@ft/core/rig/ids';
import type { ConsoleView } from '@ft/core/session/consoleViewSchema';
import { numberRange } from '@ft/core/text/numberRange';
import { rangesText } from '@ft/core/text/rangesText';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { Changes } from '../../state/changes';
import { studioFeature } from '../../state/studio.feature';
import { Entry } from '../../ui/form/entry';
import { SidePanel } from '../../ui/side-panel';

/** Rows that are looked at together, kept under a name. It begins with the rows in sight. */
@Component({
  selector: 'ft-view-panel',
  imports: [Entry, SidePanel],
  template: `
    <ft-side-panel title="Views" (closed)="closed.emit(undefined)">
      <div class="stack">
        <p class="quiet">
          A view hides the rows a job does not use. It changes nothing that sounds. Take rows out or in by
          their numbers; an empty field leaves the whole section out.
        </p>
        <ft-entry
          label="Name"
          [widthRem]="16"
          [value]="name()"
          [refusal]="refusal"
          (entered)="name.set($event.trim())"
        />
        @for (each of sections(); track each.id) {
          <ft-entry
            [label]="each.title"
            [widthRem]="12"
            [value]="each.text"
            [refusal]="refusalOf(each.count)"
            (entered)="take(each.id, $event)"
          />
        }
        <p>
          <button type="button" class="main" [disabled]="name() === ''" (click)="keep()">
            Keep the view
          </button>
        </p>
        @if (views().length > 0) {
          <h3>Kept</h3>
          @for (view of views(); track view.id) {
            <p>
              {{ view.name }} <span class="quiet num">{{ view.rows.length }} rows</span>
              <button type="button" (click)="remove(view)">Remove</button>
            </p>
          }
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ViewPanel {
  readonly sheet = input.required<ChannelSheetView>();
  /** The rows in sight, by their ids. */
  readonly inSight = input.required<readonly string[]>();
  readonly closed = output<string | undefined>();
  private readonly changes = inject(Changes);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly name = signal('');
  /** Numbers as typed, by section. */
  private readonly typed = signal<Readonly<Record<string, string>>>({});

  private readonly rowsOf = (section: string): readonly string[] =>
    this.sheet()
      .rows.filter((row) => row.section === section)
      .map(({ id }) => id);

  protected readonly sections = computed(() => {
    const seen = new Set(this.inSight());
    return this.sheet().sections.map(({ id, title }) => {
      const rows = this.rowsOf(id);
      const first = rangesText(rows.flatMap((row, i) => (seen.has(row) ? [i + 1] : [])));
      return { id, title, count: rows.length, text: this.typed()[id] ?? first };
    });
  });
  protected readonly views = computed(() =>
    (this.found()?.session.consoleViews ?? []).filter(({ device }) => device === this.sheet().device),
  );

  protected readonly refusal = (text: string): string | undefined =>
    this.views().some(({ name }) => name.toLowerCase() === text.trim().toLowerCase())
      ? 'A view of this console has that name.'
      : undefined;

  protected refusalOf(count: number): (text: string) => string | undefined {
    return (text) => {
      if (text.trim() === '') return undefined;
      const range = numberRange(text);
      if (!range.ok) return 'Type numbers of rows: 1-12, 17.';
      const none = range.numbers.find((n) => n < 1 || n > count);
      return none === undefined ? undefined : `There is no row ${String(none)}; there are ${String(count)}.`;
    };
  }

  protected take(section: string, text: string): void {
    this.typed.update((typed) => ({ ...typed, [section]: text.trim() }));
  }

  protected keep(): void {
    const session = this.found()?.session;
    if (session === undefined) return;
    const rows = this.sections().flatMap(({ id, text }) => {
      const range = numberRange(text);
      return range.ok ? range.numbers.flatMap((n) => this.rowsOf(id)[n - 1] ?? []) : [];
    });
    const id = idFromName(this.name(), new Set(session.consoleViews.map((view) => view.id)), 'view');
    const view: ConsoleView = { id, device: this.sheet().device, name: this.name(), rows };
    this.changes.make(`View ${view.name} of ${this.sheet().name}`, [
      editAdd('consoleView', { session: session.id }, view),
    ]);
    this.closed.emit(id);
  }

  protected remove(view: ConsoleView): void {
    const session = this.found()?.session.id;
    if (session === undefined) return;
    this.changes.make(`View ${view.name} removed`, [editRemove('consoleView', { session }, view.id, view)]);
  }
}
