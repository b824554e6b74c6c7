import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PatchLine } from '@ft/core/views/bay/patchList';
import { sheetAddress } from '../../state/studio-api.service';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { FileLink } from '../../ui/file-link';
import { Changes } from '../../state/changes';
import { PartPage } from '../../shell/part';

/** The cords of the scene, room by room: plug, tick, print. */
@Component({
  selector: 'ft-patch-list-page',
  imports: [PartPage, FileLink],
  templateUrl: './patch-list-page.html',
  styleUrl: './patch-list-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatchListPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly lines = this.store.selectSignal(planFeature.selectPatchLines);
  protected readonly rooms = computed(() => [...new Set(this.lines().map((line) => line.room))]);
  protected readonly powered = computed(() =>
    this.lines().some((line) => line.thread !== '' && !line.plugged),
  );

  protected linesIn(room: string): readonly PatchLine[] {
    return this.lines().filter((line) => line.room === room);
  }

  protected isSelected(line: PatchLine): boolean {
    return this.selection()?.id === line.cord;
  }

  protected address(sheet: 'patch-list.pdf' | 'patch-list.csv'): string {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? '' : sheetAddress(studioId, place, sheet);
  }

  /**
   * Shows the path of a cord.
   * @param quietly without the inspector: the list must not move while a button is held on a tick.
   */
  protected select(line: PatchLine, quietly = false): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'cord', id: line.cord }, quietly }));
  }

  protected async tick(line: PatchLine): Promise<void> {
    this.changes.take(await this.changes.worked('Tick the cord', (api) => api.tickCord(line.cord)));
  }
}
