import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter, map } from 'rxjs';
import { studioFeature } from '../state/studio.feature';
import type { Located, PartAddress } from './stages';
import { partAt } from './stages';

/** What an address holds before the part: an empty piece, "studio", studio, session, scene. */
const BEFORE_THE_PART = 5;

/** Where this window stands: studio, session and scene, and the part it shows. */
@Injectable({ providedIn: 'root' })
export class Here {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: this.router.url },
  );

  /** The part on the screen. */
  readonly at = computed((): Located | undefined =>
    partAt(
      (this.url().split(/[?#]/)[0] ?? '').split('/').slice(BEFORE_THE_PART).map(decodeURIComponent).join('/'),
    ),
  );

  /** A part of this scene as a link. */
  link(address: string, ...more: readonly string[]): readonly string[] {
    const place = this.place();
    return this.linkIn(place?.session ?? '', place?.scene ?? '', address, ...more);
  }

  /** A part of another scene of the studio as a link. */
  linkIn(session: string, scene: string, address: string, ...more: readonly string[]): readonly string[] {
    return ['/studio', this.studioId() ?? '', session, scene, ...address.split('/'), ...more];
  }

  go(address: string, ...more: readonly string[]): void {
    void this.router.navigate([...this.link(address, ...more)]);
  }

  /** Shows another scene, at the part that is on the screen. */
  goToScene(session: string, scene: string, address: PartAddress | undefined = this.at()?.address): void {
    const link = this.linkIn(session, scene, address ?? 'track');
    void this.router.navigate([...link]);
  }
}
