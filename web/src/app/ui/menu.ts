import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';

/** Something a menu offers. */
export interface MenuItem {
  readonly id: string;
  readonly name: string;
  /** What it is for, quiet below its name. */
  readonly note?: string;
}

/** What is done seldom, behind one button. */
@Component({
  selector: 'ft-menu',
  imports: [NgbDropdownModule],
  template: `
    <div ngbDropdown container="body">
      <button type="button" ngbDropdownToggle>{{ label() }}</button>
      <div ngbDropdownMenu>
        @for (item of items(); track item.id) {
          <button type="button" ngbDropdownItem (click)="chosen.emit(item.id)">
            {{ item.name }}
            @if (item.note; as note) {
              <span class="quiet below">{{ note }}</span>
            }
          </button>
        }
      </div>
    </div>
  `,
  styles: `
    .below {
      display: block;
      font-size: 0.85em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Menu {
  readonly label = input.required<string>();
  readonly items = input.required<readonly MenuItem[]>();
  readonly chosen = output<string>();
}
