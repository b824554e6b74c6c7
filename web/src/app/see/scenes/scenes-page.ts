import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { CompareTab } from './compare-tab';
import { SceneLinesTab } from './scene-lines-tab';
import { SceneListTab } from './scene-list-tab';
import { TabBar } from '../../shell/tab-bar';

type Tab = 'scenes' | 'lines' | 'compare';

const TABS: readonly { readonly tab: Tab; readonly name: string }[] = [
  { tab: 'scenes', name: 'Scenes' },
  { tab: 'lines', name: 'Lines in scenes' },
  { tab: 'compare', name: 'Compare' },
];

/** The scenes of the session: made, followed, put away, compared. */
@Component({
  selector: 'ft-scenes-page',
  imports: [CompareTab, SceneLinesTab, SceneListTab, TabBar],
  template: `
    <section class="page" aria-label="Scenes">
      <div class="page-head">
        <h1>Scenes</h1>
        <ft-tab-bar label="Part of the scenes" [parts]="tabs" [(tab)]="tab" />
      </div>
      @switch (tab()) {
        @case ('scenes') {
          <ft-scene-list-tab />
        }
        @case ('lines') {
          <ft-scene-lines-tab />
        }
        @case ('compare') {
          <ft-compare-tab />
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
export class ScenesPage {
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('scenes');
}
