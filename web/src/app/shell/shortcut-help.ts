import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { GOES_TO, SHORTCUTS } from './shortcuts';

@Component({
  selector: 'ft-shortcut-help',
  template: `
    <section aria-label="Keyboard shortcuts">
      <div class="lists">
        @for (list of lists; track list.title) {
          <div>
            <h2>{{ list.title }}</h2>
            <dl>
              @for (line of list.lines; track line.does) {
                <dt>
                  @for (key of line.keys; track key) {
                    <kbd>{{ key }}</kbd>
                  }
                </dt>
                <dd>{{ line.does }}</dd>
              }
            </dl>
          </div>
        }
      </div>
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
    .lists {
      display: flex;
      gap: 2rem;
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
  protected readonly lists = [
    { title: 'Keys', lines: SHORTCUTS },
    { title: 'Go to', lines: GOES_TO },
  ];
}
