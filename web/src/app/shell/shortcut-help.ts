import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { SHORTCUTS } from './shortcuts';

@Component({
  selector: 'ft-shortcut-help',
  template: `
    <section aria-label="Keyboard shortcuts">
      <h2>Keys</h2>
      <dl>
        @for (line of shortcuts; track line.does) {
          <dt>
            @for (key of line.keys; track key) {
              <kbd>{{ key }}</kbd>
            }
          </dt>
          <dd>{{ line.does }}</dd>
        }
      </dl>
      <button type="button" (click)="closed.emit()">Close</button>
    </section>
  `,
  styles: `
    section {
      position: fixed;
      right: 1rem;
      bottom: 1rem;
      z-index: 20;
      padding: 0.8rem 1rem;
      background: var(--ft-raised);
      border: 1px solid var(--ft-line);
      border-radius: 6px;
    }
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 0.25rem 0.9rem;
      margin: 0.5rem 0 0.7rem;
    }
    dt {
      display: flex;
      gap: 0.3rem;
      font-weight: 400;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShortcutHelp {
  readonly closed = output();
  protected readonly shortcuts = SHORTCUTS;
}
