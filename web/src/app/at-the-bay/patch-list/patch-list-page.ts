import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PatchLine } from '@ft/core/views/bay/patchList';
import { sheetAddress } from '../../state/studio-api.service';
import { planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { FileLink } from '../../ui/file-link';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import { PATCH_COLUMNS, PatchEdits } from './patch-edits';
import { PartPage } from '../../shell/part';

/** The cords of the scene, room by room: plug, tick, print. */
@Component({
  selector: 'ft-patch-list-page',
  imports: [ColumnMenu, FileLink, PartPage, Sheet],
  providers: [PatchEdits],
  templateUrl: './patch-list-page.html',
  styleUrl: './patch-list-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatchListPage {
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly lines = this.store.selectSignal(planFeature.selectPatchLines);
  protected readonly sheet = viewChild<Sheet<PatchLine>>(Sheet);
  protected readonly columns = PATCH_COLUMNS;
  protected readonly edits = inject(PatchEdits);
  protected readonly rowId = ({ cord }: PatchLine): string => cord;
  protected readonly selected = computed(() => this.selection()?.id);
  protected readonly powered = computed(() =>
    this.lines().some((line) => line.thread !== '' && !line.plugged),
  );

  protected address(sheet: 'patch-list.pdf' | 'patch-list.csv'): string {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? '' : sheetAddress(studioId, place, sheet);
  }
}
