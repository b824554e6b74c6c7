import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { ClockTab } from './clock-tab';
import { DelaysTab } from './delays-tab';
import { ParallelPathsTab } from './parallel-paths-tab';
import { TabBar } from '../../shell/tab-bar';

type Tab = 'parallelPaths' | 'delays' | 'clock';

const TABS: readonly { readonly tab: Tab; readonly name: string }[] = [
  { tab: 'parallelPaths', name: 'Ways that meet' },
  { tab: 'delays', name: 'Delays' },
  { tab: 'clock', name: 'Clock' },
];

/** Time: sounds that meet themselves late, how late performers hear themselves, and who follows whose clock. */
@Component({
  selector: 'ft-time-page',
  imports: [ClockTab, DelaysTab, ParallelPathsTab, TabBar],
  template: `
    <section class="page" aria-label="Time">
      <div class="page-head">
        <h1>Time</h1>
        <ft-tab-bar label="Part of the time" [parts]="tabs" [(tab)]="tab" />
      </div>
      @switch (tab()) {
        @case ('parallelPaths') {
          <ft-parallel-paths-tab />
        }
        @case ('delays') {
          <ft-delays-tab />
        }
        @case ('clock') {
          <ft-clock-tab />
        }
      }
    </section>
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimePage {
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('parallelPaths');
}
