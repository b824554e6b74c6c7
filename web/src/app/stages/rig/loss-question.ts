import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Dialog } from '../../ui/dialog';
import { RigChanges } from './rig-changes';

/** Says what a change to the rig takes with it, and waits for a yes. */
@Component({
  selector: 'ft-loss-question',
  imports: [Dialog],
  template: `
    @if (changes.asked(); as asked) {
      <ft-dialog [title]="asked.label + '?'" (left)="changes.answer(false)">
        @if (asked.loss.devices.length > 1) {
          <p>{{ asked.loss.devices.length }} devices go: {{ asked.loss.devices.join(', ') }}.</p>
        }
        @if (asked.loss.wires > 0) {
          <p>{{ asked.loss.wires === 1 ? 'One wire goes' : asked.loss.wires + ' wires go' }} with it.</p>
        }
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
        <ng-container ngProjectAs="[answers]">
          <button type="button" class="main" ngbAutofocus (click)="changes.answer(true)">Do it</button>
          <button type="button" (click)="changes.answer(false)">Leave it</button>
        </ng-container>
      </ft-dialog>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LossQuestion {
  protected readonly changes = inject(RigChanges);
}
