import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import type { SheetLayout } from './sheet-layout';

/** Which columns of a sheet are in sight. */
@Component({
  selector: 'ft-column-menu',
  imports: [NgbDropdownModule],
  template: `
    <div ngbDropdown autoClose="outside" container="body">
      <button type="button" class="bare" ngbDropdownToggle>Columns{{ hidden() }}</button>
      <div ngbDropdownMenu role="group" aria-label="Columns in sight">
        @for (column of layout().all(); track column.id) {
          <label class="dropdown-item">
            <input
              #box
              type="checkbox"
              [checked]="column.isShown"
              (change)="layout().show(column.id, box.checked)"
            />
            {{ column.title }}
          </label>
        }
        <div class="dropdown-divider"></div>
        <button type="button" ngbDropdownItem (click)="layout().reset()">As they were at first</button>
      </div>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ColumnMenu {
  readonly layout = input.required<Pick<SheetLayout<never>, 'all' | 'show' | 'reset'>>();

  protected hidden(): string {
    const count = this.layout()
      .all()
      .filter(({ isShown }) => !isShown).length;
    return count === 0 ? '' : `, ${String(count)} hidden`;
  }
}
