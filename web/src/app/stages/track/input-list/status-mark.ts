import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ThreadStatus } from '@ft/core/checks/threadStatus';

/** The stitch of each status: dashed, solid, solid with a knot, gap. The word says the same. */
const STITCH: Readonly<Record<ThreadStatus, string>> = {
  planned: 'M1 6 h5 M10 6 h5 M19 6 h5',
  routed: 'M1 6 h9 M13 6 h12',
  patched: 'M1 6 h24',
  proven: 'M1 6 h9 m0 0 a3.5 3.5 0 1 1 6 0 a3.5 3.5 0 1 1 -6 0 m6 0 h9',
  broken: 'M1 6 h8 M17 6 h8 M11 2 l4 8',
};

@Component({
  selector: 'ft-status-mark',
  template: `
    <svg width="26" height="12" aria-hidden="true"><path [attr.d]="stitch()" [class]="status()" /></svg>
    <span [class.error]="status() === 'broken'">{{ status() }}</span>
    @if (findings() > 0) {
      <span class="error num" [attr.aria-label]="findings() + ' findings'">▲{{ findings() }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: baseline;
      gap: 0.35rem;
    }
    svg {
      align-self: center;
    }
    path {
      fill: none;
      stroke: var(--ft-thread);
      stroke-width: 2.4;
    }
    path.broken {
      stroke: var(--ft-error);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StatusMark {
  readonly status = input.required<ThreadStatus>();
  readonly findings = input(0);
  protected readonly stitch = computed(() => STITCH[this.status()]);
}
