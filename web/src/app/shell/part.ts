import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { tabId, Tabs } from '../ui/tabs';
import { Here } from './here';
import { OwnWindow } from './own-window';
import { PartStates } from './part-states';
import type { PartAddress } from './stages';
import { addressOf, fullName, partAt } from './stages';

/**
 * A part as a page: the name of its place, its tabs, its own tools (`head`), and below the work. Every page under a
 * scene stands in one.
 */
@Component({
  selector: 'ft-part',
  imports: [OwnWindow, Tabs],
  template: `
    <section class="page" [attr.aria-label]="name()">
      <div class="page-head">
        <h1>{{ heading() }}</h1>
        @if (hasTabs()) {
          <ft-tabs [label]="'Parts of ' + heading()" [tabs]="tabs()" [active]="of()" />
        }
        <ng-content select="[head]" />
        <span class="fill"></span>
        <ng-content select="[tools]" />
        <ft-own-window [of]="of()" />
      </div>
      <div
        class="part-body"
        [id]="panelId()"
        [attr.role]="hasTabs() ? 'tabpanel' : null"
        [attr.aria-labelledby]="hasTabs() ? tabId(of()) : null"
      >
        <ng-content />
      </div>
    </section>
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
    .page {
      display: flex;
      flex-direction: column;
      overflow: hidden;
    }
    .part-body {
      display: flex;
      flex-direction: column;
      flex: 1;
      min-height: 0;
      overflow: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartPage {
  readonly of = input.required<PartAddress>();
  private readonly here = inject(Here);
  private readonly states = inject(PartStates);
  protected readonly tabId = tabId;
  protected readonly panelId = computed(() => `${tabId(this.of())}-panel`);
  private readonly located = computed(() => partAt(this.of()));

  protected readonly name = computed(() => {
    const located = this.located();
    return located === undefined ? '' : fullName(located);
  });

  /** The place where it has tabs, else the part alone. */
  protected readonly heading = computed(() => {
    const located = this.located();
    const isOne = located?.place.parts.length === 1;
    return (isOne ? located.part.name : located?.place.name) ?? '';
  });

  protected readonly hasTabs = computed(() => (this.located()?.place.parts.length ?? 0) > 1);

  protected readonly tabs = computed(() => {
    const [place, states] = [this.located()?.place, this.states.of()];
    if (place === undefined) return [];
    return place.parts.map((part) => {
      const address = addressOf(place, part);
      const count = states[address];
      return { id: address, name: part.name, link: this.here.link(address), ...(count && { count }) };
    });
  });
}
