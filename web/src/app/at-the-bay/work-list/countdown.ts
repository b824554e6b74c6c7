import type { OnDestroy } from '@angular/core';
import { Injectable, signal } from '@angular/core';

/** Seconds until a wait is over. A wait that is broken off begins again from the start. */
@Injectable()
export class Countdown implements OnDestroy {
  readonly leftS = signal(0);
  private timer: ReturnType<typeof setInterval> | undefined;

  /** Starts when the wait begins, and goes on until it is over or broken off. */
  follow(isWaiting: boolean, seconds: number): void {
    if (isWaiting === (this.timer !== undefined)) return;
    clearInterval(this.timer);
    this.timer = undefined;
    this.leftS.set(isWaiting ? seconds : 0);
    if (isWaiting)
      this.timer = setInterval(() => {
        this.leftS.update((left) => Math.max(0, left - 1));
      }, 1000);
  }

  ngOnDestroy(): void {
    clearInterval(this.timer);
  }
}
