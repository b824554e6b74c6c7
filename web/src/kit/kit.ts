import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { moveItemInArray } from '@angular/cdk/drag-drop';
import { Dialog } from '../app/ui/dialog';
import { Fold } from '../app/ui/fold';
import { Hint } from '../app/ui/hint';
import type { Ordered, OrderMove } from '../app/ui/order-list';
import { OrderList } from '../app/ui/order-list';
import { Progress } from '../app/ui/progress';
import { SidePanel } from '../app/ui/side-panel';
import { Switcher } from '../app/ui/switcher';
import { Tabs } from '../app/ui/tabs';
import { Tip } from '../app/ui/tip';
import { KitForm } from './kit-form';
import { KitLive } from './kit-live';
import { KitSheet } from './kit-sheet';

type Theme = 'dim' | 'paper';

/** Every piece of the interface on one page. */
@Component({
  selector: 'ft-root',
  imports: [
    Dialog,
    Fold,
    Hint,
    KitForm,
    KitLive,
    KitSheet,
    OrderList,
    Progress,
    SidePanel,
    Switcher,
    Tabs,
    Tip,
  ],
  templateUrl: './kit.html',
  styles: `
    :host {
      display: block;
      overflow: auto;
    }
    main {
      display: grid;
      gap: 1rem;
      padding: 1rem;
    }
    section {
      display: grid;
      gap: 0.4rem;
      justify-items: start;
    }
    ft-kit-sheet,
    ft-kit-form,
    ft-kit-live {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Kit {
  protected readonly rows = signal(40);
  protected readonly isAsking = signal(false);
  protected readonly isPanelOpen = signal(false);
  protected readonly tabs = [
    { id: 'one', name: 'One', link: ['.'] },
    { id: 'two', name: 'Two', link: ['.'] },
  ];
  protected readonly choices = [
    { id: 'tracking', name: 'Tracking', note: 'on the floor' },
    { id: 'mix', name: 'Mix' },
  ];
  protected readonly order = signal<readonly Ordered[]>([
    { id: 'cords', name: 'few cords' },
    { id: 'ties', name: 'few tie lines' },
    { id: 'keep', name: 'keep what is plugged already' },
  ]);

  constructor() {
    this.show((localStorage.getItem('ft-theme') as Theme | null) ?? 'dim');
  }

  protected show(theme: Theme): void {
    document.documentElement.dataset['theme'] = theme;
  }

  protected move({ from, to }: OrderMove): void {
    const order = [...this.order()];
    moveItemInArray(order, from, to);
    this.order.set(order);
  }
}
