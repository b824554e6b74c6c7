import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';

/** One of several things of a kind, to go over to. */
export interface SwitcherChoice {
  readonly id: string;
  readonly name: string;
  /** What is worth knowing before going there. */
  readonly note?: string;
}

/** The name of where one is; pressed, what else there is to go to, and what can be done with them. */
@Component({
  selector: 'ft-switcher',
  imports: [NgbDropdownModule],
  template: `
    <div ngbDropdown (openChange)="openChange.emit($event)">
      <button type="button" class="bare" ngbDropdownToggle [attr.aria-label]="what() + ': ' + name()">
        <span class="name">{{ name() }}</span>
      </button>
      <div ngbDropdownMenu>
        <p class="quiet">{{ what() }}</p>
        @for (choice of choices(); track choice.id) {
          <button
            type="button"
            ngbDropdownItem
            [attr.aria-current]="choice.id === here() ? 'true' : null"
            (click)="chosen.emit(choice.id)"
          >
            {{ choice.name }}
            @if (choice.note !== undefined) {
              <span class="quiet">· {{ choice.note }}</span>
            }
          </button>
        }
        <ng-content />
      </div>
    </div>
  `,
  styles: `
    :host,
    [ngbDropdown] {
      min-width: 0;
    }
    button.bare {
      max-width: 100%;
    }
    .name {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    p {
      margin: 0;
      padding: 0.1rem 0.6rem;
      font-size: 0.85em;
    }
    [aria-current]::before {
      content: '› ';
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Switcher {
  /** What kind of thing: "Session". */
  readonly what = input.required<string>();
  readonly name = input.required<string>();
  readonly choices = input.required<readonly SwitcherChoice[]>();
  /** The one that is open. */
  readonly here = input<string>();
  readonly chosen = output<string>();
  readonly openChange = output<boolean>();
}
