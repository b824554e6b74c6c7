import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { CompareTab } from './compare-tab';
import { SceneLinesTab } from './scene-lines-tab';
import { SceneListTab } from './scene-list-tab';

type Tab = 'scenes' | 'lines' | 'compare';

const TABS: readonly { readonly tab: Tab; readonly name: string }[] = [
  { tab: 'scenes', name: 'Scenes' },
  { tab: 'lines', name: 'Lines in scenes' },
  { tab: 'compare', name: 'Compare' },
];

/** The scenes of the session: made, followed, put away, compared. */
@Component({
  selector: 'ft-scenes-page',
  imports: [CompareTab, SceneLinesTab, SceneListTab],
  template: `
    <section class="page" aria-label="Scenes">
      <div class="page-head">
        <h1>Scenes</h1>
        <div class="tabs" role="group" aria-label="Part of the scenes">
          @for (part of tabs; track part.tab) {
            <button type="button" [attr.aria-pressed]="tab() === part.tab" (click)="tab.set(part.tab)">
              {{ part.name }}
            </button>
          }
        </div>
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
