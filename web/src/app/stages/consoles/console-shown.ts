import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { DeviceId } from '@ft/core/rig/ids';
import { asked, askedAbout } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import type { ColumnLook } from './channel-columns';
import { channelColumns } from './channel-columns';
import { foldedOf, lastConsole, rememberConsole, rememberFolded } from './console-choice';
import type { ConsoleLook, ConsoleRow } from './console-row';
import { consoleRows } from './console-row';

/** Sections that are long and seldom touched: folded until somebody opens them. */
const FOLDED_AT_FIRST = ['cards', 'link', 'centre'];

/** Which device is looked at, and what of it: its rows, its columns, or a patch page as a grid. */
@Injectable()
export class ConsoleShown {
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  /** The one somebody asked for; without it the one looked at last. */
  private readonly wanted = signal<string | undefined>(undefined);
  readonly consoles = asked((api) => api.consoles());
  readonly device = computed((): DeviceId | undefined => {
    const all = this.consoles() ?? [];
    const wanted = this.wanted() ?? lastConsole();
    return (all.find(({ id }) => id === wanted) ?? all[0])?.id;
  });
  readonly sheet = askedAbout(this.device, (api, id) => api.channelSheet(id));

  /** "all", "used", or a layer, a view or a matrix by its id: "layer:channels-1". */
  readonly look = linkedSignal<DeviceId | undefined, string>({
    source: this.device,
    computation: () => 'all',
  });
  readonly columnLook = signal<ColumnLook>('all');
  private readonly views = computed(() =>
    (this.found()?.session.consoleViews ?? []).filter(({ device }) => device === this.device()),
  );
  readonly looks = computed(() => [
    { value: 'all', name: 'Everything' },
    { value: 'used', name: 'What this job uses' },
    ...(this.sheet()?.layers ?? []).map(({ id, name }) => ({ value: `layer:${id}`, name })),
    ...this.views().map(({ id, name }) => ({ value: `view:${id}`, name })),
    ...(this.sheet()?.matrices ?? []).map(({ id, title }) => ({
      value: `matrix:${id}`,
      name: `Matrix: ${title.toLowerCase()}`,
    })),
  ]);

  /** The patch page that is looked at as a grid. */
  private readonly gridOf = computed(() => {
    const [device, look] = [this.device(), this.look()];
    return device !== undefined && look.startsWith('matrix:')
      ? { device, section: look.slice('matrix:'.length) }
      : undefined;
  });
  readonly isGrid = computed(() => this.gridOf() !== undefined);
  readonly grid = askedAbout(this.gridOf, (api, { device, section }) => api.matrixPage(device, section));

  private readonly folded = linkedSignal<DeviceId | undefined, ReadonlySet<string>>({
    source: this.device,
    computation: (id) => new Set((id === undefined ? undefined : foldedOf(id)) ?? FOLDED_AT_FIRST),
  });
  readonly rows = computed((): readonly ConsoleRow[] => {
    const sheet = this.sheet();
    return sheet === undefined ? [] : consoleRows(sheet, this.lookNamed(this.look()), this.folded());
  });
  readonly columns = computed(() => {
    const sheet = this.sheet();
    return sheet === undefined ? [] : channelColumns(sheet, this.rows(), this.columnLook());
  });
  /** The rows in sight, by their ids. */
  readonly inSight = computed(() => this.rows().flatMap((row) => (row.kind === 'row' ? [row.id] : [])));

  open(device: string | undefined): void {
    this.wanted.set(device);
    if (device !== undefined) rememberConsole(device);
  }

  fold(section: string): void {
    const device = this.device();
    const folded = new Set(this.folded());
    if (!folded.delete(section)) folded.add(section);
    this.folded.set(folded);
    if (device !== undefined) rememberFolded(device, [...folded]);
  }

  private lookNamed(look: string): ConsoleLook {
    if (look === 'all' || look === 'used') return look;
    const [kind, id = ''] = look.split(':');
    if (kind !== 'view') return { layer: id };
    const view = this.views().find((each) => each.id === id);
    // A view that was removed in another window leaves everything in sight.
    return view === undefined ? 'all' : { rows: view.rows };
  }
}
