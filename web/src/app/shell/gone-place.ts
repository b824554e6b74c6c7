import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { firstScene } from '@ft/core/session/scenePlace';
import { sessionsInOrder } from '@ft/core/session/sessionsInOrder';
import { studioFeature } from '../state/studio.feature';
import { Here } from './here';

/** Stands where the scene of the address is not there any more, and leads to what is. */
@Component({
  selector: 'ft-gone-place',
  imports: [RouterLink],
  template: `
    <div class="empty">
      <p>This session or scene is not here any more. It may have been removed in another window.</p>
      <ul aria-label="Sessions there are">
        @for (session of sessions(); track session.id) {
          <li>
            <a class="press" [routerLink]="session.link">Open {{ session.name }}</a>
          </li>
        }
      </ul>
      <a class="press" routerLink="/">All studios and sessions</a>
    </div>
  `,
  styles: `
    ul {
      margin: 0 0 1.2rem;
      padding: 0;
      list-style: none;
      display: grid;
      gap: 0.4rem;
      justify-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GonePlace {
  private readonly here = inject(Here);
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly sessions = computed(() =>
    sessionsInOrder(this.studio() ?? { sessions: [] }).flatMap((session) => {
      const place = firstScene(session);
      const address = this.here.at()?.address ?? 'track';
      return session.archived === true || place === undefined
        ? []
        : [{ ...session, link: this.here.linkIn(place.session, place.scene, address) }];
    }),
  );
}
