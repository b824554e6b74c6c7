import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { LadderTab } from './ladder-tab';
import { LineUpTab } from './line-up-tab';
import { OutboardTab } from './outboard-tab';
import { SumsTab } from './sums-tab';
import { TabBar } from '../../shell/tab-bar';

type Tab = 'ladder' | 'sums' | 'outboard' | 'line-up';

const TABS: readonly { readonly tab: Tab; readonly name: string }[] = [
  { tab: 'ladder', name: 'Ladder' },
  { tab: 'sums', name: 'All together' },
  { tab: 'outboard', name: 'Outboard' },
  { tab: 'line-up', name: 'Line-up sheet' },
];

/** Levels: along one thread, of everything at once, through outboard, and against a tone. */
@Component({
  selector: 'ft-levels-page',
  imports: [LadderTab, LineUpTab, OutboardTab, SumsTab, TabBar],
  template: `
    <section class="page" aria-label="Levels">
      <div class="page-head">
        <h1>Levels</h1>
        <ft-tab-bar label="Part of the levels" [parts]="tabs" [(tab)]="tab" />
      </div>
      @switch (tab()) {
        @case ('ladder') {
          <ft-ladder-tab />
        }
        @case ('sums') {
          <ft-sums-tab />
        }
        @case ('outboard') {
          <ft-outboard-tab />
        }
        @case ('line-up') {
          <ft-line-up-tab />
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
export class LevelsPage {
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('ladder');
}
