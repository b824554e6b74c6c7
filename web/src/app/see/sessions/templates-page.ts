import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import * as z from 'zod';
import type { SessionPart } from '@ft/core/actions/sessions/sessionParts';
import { SESSION_PARTS } from '@ft/core/actions/sessions/sessionParts';
import { templateLines } from '@ft/core/views/sessions/sessionLines';
import { PartPage } from '../../shell/part';
import { studioFeature } from '../../state/studio.feature';
import type { FormField } from '../../ui/form/form-field';
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
import { sessionRowId, sessionRows, TEMPLATE_COLUMNS } from './session-rows';

const PART_NAMES: Readonly<Record<SessionPart, string>> = {
  lines: 'Lines',
  pins: 'Pins',
  tracks: 'Tracks',
  buses: 'Buses',
  scenes: 'Scenes and cords',
  settings: 'Settings',
};
const FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Another template', kind: 'text', widthRem: 14 },
  ...SESSION_PARTS.map((part): FormField => ({ key: part, label: PART_NAMES[part], kind: 'switch' })),
];
const kept = z.boolean().default(false);
const keeps = { lines: kept, pins: kept, tracks: kept, buses: kept, scenes: kept, settings: kept };

/** Templates: sessions without their material that the next ones start from. */
@Component({
  selector: 'ft-templates-page',
  imports: [ColumnMenu, LineForm, PartPage, RemovalQuestion, SessionTools, Sheet],
  templateUrl: './templates-page.html',
  styleUrl: './session-pages.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TemplatesPage {
  private readonly store = inject(Store);
  protected readonly changes = inject(SessionChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly sheet = viewChild<Sheet<SessionRow>>(Sheet);

  protected readonly rows = computed((): readonly SessionRow[] => {
    const studio = this.studio();
    return studio === null ? [] : sessionRows(studio, templateLines(studio), this.found()?.session.id);
  });
  protected readonly rowId = sessionRowId;
  protected readonly reached = new Reached(this.rows, this.rowId);
  protected readonly columns = TEMPLATE_COLUMNS;
  protected readonly edits = new CellTakers<SessionRow>(
    () => TEMPLATE_COLUMNS,
    { one: ({ session }) => session.name, many: 'Templates' },
    {
      open: ({ session }) => {
        this.changes.beginFrom(session);
      },
      remove: ({ session }) => {
        this.changes.remove(session);
      },
    },
  );
  private readonly freshSchema = z.object({ name: ownName('template', this.studio), ...keeps });
  protected readonly fresh = new SchemaForm(
    FIELDS,
    this.freshSchema,
    Object.fromEntries(SESSION_PARTS.map((part) => [part, true])),
  );
  protected readonly anew = { name: '' };

  protected make({ name, ...parts }: z.output<TemplatesPage['freshSchema']>): void {
    const session = this.found()?.session;
    const wanted = new Set(SESSION_PARTS.filter((part) => parts[part]));
    if (session !== undefined) this.changes.makeTemplate(session, name, wanted);
  }
}
