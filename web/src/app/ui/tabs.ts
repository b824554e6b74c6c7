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

/** The element of a tab; the panel it leads to is this with "-panel" behind. */
export const tabId = (id: string): string => `tab-${id}`;

/** Tabs with addresses: each is a link, so that the Back key, a finding or a bookmark leads there too. */
@Component({
  selector: 'ft-tabs',
  imports: [NgbNavModule, RouterLink],
  template: `
    <div ngbNav [activeId]="active()" [attr.aria-label]="label()">
      @for (tab of tabs(); track tab.id) {
        <ng-container [ngbNavItem]="tab.id" [domId]="tabId(tab.id)">
          <a ngbNavLink [routerLink]="tab.link">
            {{ tab.name }}
            @if (tab.count !== undefined) {
              <span class="quiet num">{{ tab.count }}</span>
            }
          </a>
        </ng-container>
      }
    </div>
  `,
  styles: `
    [ngbNav] {
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
  protected readonly tabId = tabId;
}
