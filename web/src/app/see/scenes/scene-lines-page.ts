import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { threadName } from '@ft/core/session/threadName';
import { studioFeature } from '../../state/studio.feature';
import { SceneChanges } from './scene-changes';
import { PartPage } from '../../shell/part';

/** Which lines of the input list are active in which scene. */
@Component({
  selector: 'ft-scene-lines-page',
  imports: [PartPage],
  template: `
    <ft-part of="scenes/lines">
      @if (lines().length === 0) {
        <p class="empty">
          No lines yet. Enter them on the Track page; here you say in which scenes they run.
        </p>
      } @else {
        <table class="sheet">
          <thead>
            <tr>
              <th scope="col">Line</th>
              @for (scene of scenes(); track scene.id) {
                <th scope="col" class="tick">{{ scene.name }}</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (line of lines(); track line.thread.id) {
              <tr>
                <td>{{ line.name }}</td>
                @for (scene of scenes(); track scene.id) {
                  <td class="tick">
                    <input
                      type="checkbox"
                      [checked]="line.thread.scenes.includes(scene.id)"
                      [attr.aria-label]="line.name + ' in ' + scene.name"
                      (change)="changes.include(line.thread, line.name, scene, $any($event.target).checked)"
                    />
                  </td>
                }
              </tr>
            }
          </tbody>
        </table>
      }
    </ft-part>
  `,
  styles: `
    .tick {
      text-align: center;
    }
    input {
      width: 1.15rem;
      height: 1.15rem;
      accent-color: var(--ft-thread);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SceneLinesPage {
  protected readonly changes = inject(SceneChanges);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly scenes = computed(
    () => this.found()?.session.scenes.filter(({ archived }) => archived !== true) ?? [],
  );
  protected readonly lines = computed(() =>
    [...(this.found()?.session.threads ?? [])]
      .sort((a, b) => a.number - b.number)
      .map((thread) => ({ thread, name: threadName(thread) })),
  );
}
