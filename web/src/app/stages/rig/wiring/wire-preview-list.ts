import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { WirePreview, WirePreviewLine } from '@ft/core/actions/rig/wirePreview';

const SIGN: Readonly<Record<WirePreviewLine['change'], string>> = {
  new: '+ new',
  there: '= there already',
  replaces: '± replaces',
  gone: '− taken out',
};

/** What a change to many wires will do, before it is made. */
@Component({
  selector: 'ft-wire-preview-list',
  template: `
    @if (preview(); as it) {
      @if (!it.ok) {
        <p class="error" role="status">{{ it.sentence }}</p>
      } @else if (it.lines.length === 0) {
        <p class="quiet" role="status">Nothing would change.</p>
      } @else {
        <ol>
          @for (line of it.lines; track $index) {
            <li [class]="line.change">
              <span class="sign num">{{ sign[line.change] }}</span>
              <span>{{ line.from }}</span>
              <span class="quiet">→</span>
              <span>{{ line.to }}</span>
              <span class="quiet">{{ line.note }}</span>
            </li>
          }
        </ol>
      }
    }
  `,
  styles: `
    p {
      margin: 0;
      padding: 0.4rem 0.75rem;
    }
    ol {
      margin: 0;
      padding: 0.2rem 0.75rem;
      list-style: none;
      max-height: 15rem;
      overflow: auto;
    }
    li {
      display: grid;
      grid-template-columns: 8.5rem minmax(0, 1fr) 1.2rem minmax(0, 1fr) minmax(0, 1fr);
      gap: 0.5rem;
    }
    .new .sign {
      color: var(--ft-good);
    }
    .replaces .sign {
      color: var(--ft-warning);
    }
    .gone .sign {
      color: var(--ft-error);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WirePreviewList {
  readonly preview = input<WirePreview>();
  protected readonly sign = SIGN;
}
