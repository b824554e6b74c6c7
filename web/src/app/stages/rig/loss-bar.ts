import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, effect, inject, viewChild } from '@angular/core';
import { RigChanges } from './rig-changes';

/** Says what a change to the rig takes with it, and waits for a yes. */
@Component({
  selector: 'ft-loss-bar',
  template: `
    @if (changes.asked(); as asked) {
      <div
        class="bar"
        role="alertdialog"
        aria-label="What this breaks"
        (keydown.escape)="changes.answer(false)"
      >
        <p>
          <strong>{{ asked.label }}?</strong>
          @if (asked.loss.devices.length > 1) {
            {{ asked.loss.devices.length }} devices go: {{ asked.loss.devices.join(', ') }}.
          }
          @if (asked.loss.wires > 0) {
            {{ asked.loss.wires === 1 ? 'One wire goes' : asked.loss.wires + ' wires go' }} with it.
          }
        </p>
        @for (scene of asked.loss.scenes; track scene.session + scene.scene) {
          <p>
            <span class="error">▲</span> In {{ scene.session }}, {{ scene.scene }},
            {{ scene.threads.length === 1 ? 'this thread breaks' : scene.threads.length + ' threads break' }}:
            {{ scene.threads.join('; ') }}.
          </p>
        }
        <p class="quiet">
          The sessions keep what they planned and show it as broken; undo brings all of it back.
        </p>
        <button #yes type="button" class="main" (click)="changes.answer(true)">Do it</button>
        <button type="button" (click)="changes.answer(false)">Leave it</button>
      </div>
    }
  `,
  styles: `
    .bar {
      padding: 0.5rem 0.75rem;
      background: var(--ft-raised);
      border-bottom: 2px solid var(--ft-error);
    }
    p {
      margin: 0 0 0.35rem;
      max-width: 70rem;
    }
    button + button {
      margin-left: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LossBar {
  protected readonly changes = inject(RigChanges);
  private readonly yes = viewChild<ElementRef<HTMLElement>>('yes');

  constructor() {
    effect(() => this.yes()?.nativeElement.focus());
  }
}
