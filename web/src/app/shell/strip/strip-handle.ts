import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { StripHeight } from './strip-heights';
import { STRIP_HEIGHTS, StripHeights } from './strip-heights';

/** What each height takes, pixels, near enough to tell which of them a hand means. */
const ABOUT_PX: Readonly<Record<StripHeight, number>> = { closed: 10, line: 36, full: 290 };

const WORDS: Readonly<Record<StripHeight, string>> = {
  closed: 'closed',
  line: 'one line',
  full: 'whole',
};

/** The upper edge of the strip: dragged, or moved by arrow keys, to one of its three heights. */
@Component({
  selector: 'ft-strip-handle',
  template: `<div
    role="separator"
    tabindex="0"
    aria-orientation="horizontal"
    aria-label="Height of the thread strip"
    aria-valuemin="0"
    aria-valuemax="2"
    title="Drag, or press \\ : whole, one line, closed"
    [attr.aria-valuenow]="value()"
    [attr.aria-valuetext]="words()"
    (dblclick)="heights.cycle()"
    (keydown.arrowup)="move($event, 1)"
    (keydown.arrowdown)="move($event, -1)"
    (pointerdown)="grab($event)"
    (pointermove)="drag($event)"
    (pointerup)="heldFrom = undefined"
    (pointercancel)="heldFrom = undefined"
  ></div>`,
  styles: `
    div {
      display: grid;
      place-items: center;
      height: 9px;
      cursor: ns-resize;
      touch-action: none;

      &::before {
        content: '';
        width: 3.2rem;
        border-top: 3px dotted var(--ft-quiet);
      }
      &:hover::before {
        border-top-color: var(--ft-thread);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StripHandle {
  protected readonly heights = inject(StripHeights);
  protected readonly value = computed(() => STRIP_HEIGHTS.indexOf(this.heights.height()));
  protected readonly words = computed(() => WORDS[this.heights.height()]);
  /** Where the hand took hold, and how high the strip was then. */
  protected heldFrom: { readonly y: number; readonly px: number } | undefined;

  protected move(event: Event, by: 1 | -1): void {
    event.preventDefault();
    const next = STRIP_HEIGHTS[this.value() + by];
    if (next !== undefined) this.heights.set(next);
  }

  protected grab(event: PointerEvent): void {
    this.heldFrom = { y: event.clientY, px: ABOUT_PX[this.heights.height()] };
    (event.target as Element).setPointerCapture(event.pointerId);
  }

  protected drag({ clientY }: PointerEvent): void {
    if (this.heldFrom === undefined) return;
    const wanted = this.heldFrom.px + this.heldFrom.y - clientY;
    const off = (height: StripHeight): number => Math.abs(ABOUT_PX[height] - wanted);
    const nearest = [...STRIP_HEIGHTS].sort((a, b) => off(a) - off(b))[0];
    if (nearest !== undefined && nearest !== this.heights.height()) this.heights.set(nearest);
  }
}
