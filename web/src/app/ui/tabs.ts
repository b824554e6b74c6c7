import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NgbNavModule } from '@ng-bootstrap/ng-bootstrap/nav';

/** A tab: what it is called, where it leads, and how much waits there. */
export interface Tab {
  readonly id: string;
  readonly name: string;
  readonly link: readonly string[];
  readonly count?: string;
}

/** Tabs with addresses: each is a link, so that the Back key, a finding or a bookmark leads there too. */
@Component({
  selector: 'ft-tabs',
  imports: [NgbNavModule, RouterLink],
  template: `
    <nav ngbNav [activeId]="active()" [roles]="false" [attr.aria-label]="label()">
      @for (tab of tabs(); track tab.id) {
        <ng-container [ngbNavItem]="tab.id">
          <a ngbNavLink [routerLink]="tab.link" [attr.aria-current]="tab.id === active() ? 'page' : null">
            {{ tab.name }}
            @if (tab.count !== undefined) {
              <span class="quiet num">{{ tab.count }}</span>
            }
          </a>
        </ng-container>
      }
    </nav>
  `,
  styles: `
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem;
    }
    a {
      display: inline-flex;
      gap: 0.4em;
      padding: 0.22rem 0.6rem;
      color: var(--ft-ink);
      text-decoration: none;
      border-bottom: 2px solid transparent;

      &:hover {
        border-bottom-color: var(--ft-line);
      }
      &.active {
        border-bottom: 2px dashed var(--ft-thread);
        font-weight: 600;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Tabs {
  readonly label = input.required<string>();
  readonly tabs = input.required<readonly Tab[]>();
  readonly active = input.required<string>();
}
