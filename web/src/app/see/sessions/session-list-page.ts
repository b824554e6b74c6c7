import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import * as z from 'zod';
import { sameValue } from '@ft/core/edits/sameValue';
import type { Session } from '@ft/core/session/sessionSchema';
import { templatesOf } from '@ft/core/session/sessionsInOrder';
import { sessionLines } from '@ft/core/views/sessions/sessionLines';
import { PartPage } from '../../shell/part';
import { studioFeature } from '../../state/studio.feature';
import type { FieldChoice, FormField } from '../../ui/form/form-field';
import { LineForm } from '../../ui/form/line-form';
import { SchemaForm } from '../../ui/form/schema-form';
import { CellTakers } from '../../ui/sheet/cell-takers';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Reached } from '../../ui/sheet/reached';
import { Sheet } from '../../ui/sheet/sheet';
import { ownName } from './own-name';
import { RemovalQuestion } from './removal-question';
import { SessionChanges } from './session-changes';
import type { SessionRow } from './session-rows';
import { SessionTools } from './session-tools';
import { SESSION_COLUMNS, sessionRowId, sessionRows } from './session-rows';

const EMPTY = 'empty';

const fieldsOf = (starts: readonly FieldChoice[]): readonly FormField[] => [
  { key: 'name', label: 'Another session', kind: 'text', widthRem: 14 },
  { key: 'from', label: 'How it begins', kind: 'choice', choices: starts },
];

/** The sessions of the studio, and the line that makes the next one. */
@Component({
  selector: 'ft-session-list-page',
  imports: [ColumnMenu, LineForm, PartPage, RemovalQuestion, SessionTools, Sheet],
  templateUrl: './session-list-page.html',
  styleUrl: './session-pages.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SessionListPage {
  private readonly store = inject(Store);
  protected readonly changes = inject(SessionChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly sheet = viewChild<Sheet<SessionRow>>(Sheet);

  protected readonly rows = computed((): readonly SessionRow[] => {
    const studio = this.studio();
    return studio === null ? [] : sessionRows(studio, sessionLines(studio), this.found()?.session.id);
  });
  protected readonly rowId = sessionRowId;
  protected readonly here = computed(() => `session:${this.found()?.session.id ?? ''}`);
  protected readonly reached = new Reached(this.rows, this.rowId);
  protected readonly columns = SESSION_COLUMNS;
  protected readonly edits = new CellTakers<SessionRow>(
    () => SESSION_COLUMNS,
    { one: ({ session }) => session.name, many: 'Sessions' },
    {
      open: ({ session }) => {
        this.changes.enter(session);
      },
      remove: ({ session }) => {
        this.changes.remove(session);
      },
    },
  );

  private readonly starts = computed(
    (): readonly FieldChoice[] => {
      const [studio, session] = [this.studio(), this.found()?.session];
      if (studio === null) return [];
      return [
        { value: EMPTY, name: 'empty, with rate, line-up and host as here' },
        ...templatesOf(studio).map(({ id, name }) => ({ value: id, name: `from the template “${name}”` })),
        ...(session === undefined
          ? []
          : [{ value: session.id, name: `as “${session.name}”, without what belongs to its day` }]),
      ];
    },
    { equal: sameValue },
  );
  private readonly freshSchema = z.object({ name: ownName('session', this.studio), from: z.string() });
  /** Another one only where there is another template: what is being typed stays. */
  protected readonly fresh = computed(
    () => new SchemaForm(fieldsOf(this.starts()), this.freshSchema, { from: this.usualStart() }),
  );

  protected make({ name, from }: z.output<SessionListPage['freshSchema']>): void {
    this.changes.begin(name, this.sessionOf(from));
  }

  /** Whoever has made a template means to use it. */
  private usualStart(): string | number {
    const [, second, third] = this.starts();
    return third === undefined ? EMPTY : (second?.value ?? EMPTY);
  }

  private sessionOf(id: string): Session | undefined {
    return this.studio()?.sessions.find((session) => session.id === id);
  }
}
