import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { Tip } from './tip';
import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  inject,
  Injector,
  input,
  output,
  viewChildren,
  afterNextRender,
} from '@angular/core';

/** Something with a place in an order. */
export interface Ordered {
  readonly id: string;
  readonly name: string;
}

/** Where one of an order goes. */
export interface OrderMove {
  readonly from: number;
  readonly to: number;
}

/** A list whose order means something: dragged by its grip, or moved with Alt and the arrow keys. */
@Component({
  selector: 'ft-order-list',
  imports: [DragDropModule, Tip],
  template: `
    <ol cdkDropList [attr.aria-label]="name()" (cdkDropListDropped)="drop($event)">
      @for (item of items(); track item.id; let at = $index) {
        <li cdkDrag cdkDragLockAxis="y">
          <button
            #grip
            type="button"
            class="bare"
            cdkDragHandle
            ftTip="Drag, or Alt with ↑ and ↓"
            [attr.aria-label]="'Place ' + (at + 1) + ': ' + item.name + '. Alt with ↑ and ↓ moves it.'"
            (keydown.alt.arrowUp)="step($event, at, -1)"
            (keydown.alt.arrowDown)="step($event, at, 1)"
          >
            <i class="bi bi-grip-vertical" aria-hidden="true"></i>
          </button>
          <span>{{ item.name }}</span>
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      padding-left: 1.4rem;
      margin: 0.3rem 0;
    }
    li {
      padding: 0.1rem 0;
    }
    li::marker {
      color: var(--ft-quiet);
    }
    button {
      cursor: grab;
    }
    .cdk-drag-preview {
      list-style: none;
      padding: 0.1rem 0.4rem;
      background: var(--ft-raised);
      border: 1px solid var(--ft-thread);
      border-radius: 4px;
    }
    .cdk-drag-placeholder {
      opacity: 0.35;
    }
    @media (prefers-reduced-motion: no-preference) {
      .cdk-drop-list-dragging li:not(.cdk-drag-placeholder) {
        transition: transform 120ms;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OrderList {
  readonly name = input.required<string>();
  readonly items = input.required<readonly Ordered[]>();
  readonly moved = output<OrderMove>();
  private readonly injector = inject(Injector);
  private readonly grips = viewChildren<ElementRef<HTMLElement>>('grip');

  protected drop({ previousIndex: from, currentIndex: to }: CdkDragDrop<unknown>): void {
    if (from !== to) this.moved.emit({ from, to });
  }

  /** Moves by one place; the keys stay with what was moved. */
  protected step(event: Event, from: number, by: 1 | -1): void {
    event.preventDefault();
    const to = from + by;
    if (to < 0 || to >= this.items().length) return;
    this.moved.emit({ from, to });
    afterNextRender(() => this.grips()[to]?.nativeElement.focus(), { injector: this.injector });
  }
}
