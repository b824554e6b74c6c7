import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { SessionChanges } from './session-changes';

/** Asks once more before a session goes whose scene is on the floor. */
@Component({
  selector: 'ft-removal-question',
  template: `
    @if (changes.question(); as asked) {
      <div role="alertdialog" aria-label="Remove a session that is on the floor">
        <p>
          <span class="warning" aria-hidden="true">◆</span>
          {{ asked.warning }}
        </p>
        <button type="button" class="error" (click)="changes.removeNow(asked.session)">
          Remove {{ asked.session.name }} all the same
        </button>
        <button type="button" (click)="changes.keep()">Keep it</button>
      </div>
    }
  `,
  styles: `
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 0.6rem;
      align-items: center;
      padding: 0.5rem 0.75rem;
      background: var(--ft-raised);
      border-bottom: 1px solid var(--ft-line);
    }
    p {
      margin: 0;
      flex: 1 1 24rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RemovalQuestion {
  protected readonly changes = inject(SessionChanges);
}
