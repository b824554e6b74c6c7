import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Session } from '@ft/core/session/sessionSchema';
import { SessionChanges } from './session-changes';

/** What can be done with the session or template the keys have come to. */
@Component({
  selector: 'ft-session-tools',
  template: `
    <button type="button" (click)="changes.copy(session())">Copy</button>
    <button
      type="button"
      title="With its rig, so that it can be taken over elsewhere"
      (click)="changes.save(session())"
    >
      Save as a file
    </button>
    <button
      type="button"
      title="Ctrl Delete in the sheet"
      [attr.aria-label]="'Remove ' + session().name"
      (click)="changes.remove(session())"
    >
      Remove
    </button>
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SessionTools {
  readonly session = input.required<Session>();
  protected readonly changes = inject(SessionChanges);
}
