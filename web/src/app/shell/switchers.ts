import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import type { StudioSummary } from '@ft/contract/studios';
import { firstScene } from '@ft/core/session/scenePlace';
import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import { sessionsInOrder } from '@ft/core/session/sessionsInOrder';
import { Api, apiErrorOf } from '../state/api.service';
import { Changes } from '../state/changes';
import { studioFeature } from '../state/studio.feature';
import type { SwitcherChoice } from '../ui/switcher';
import { Switcher } from '../ui/switcher';
import { Here } from './here';

/** Studio, session and scene: where one is, and what else there is. */
@Component({
  selector: 'ft-switchers',
  imports: [NgbDropdownModule, RouterLink, Switcher],
  template: `
    <ft-switcher
      what="Studio"
      [name]="studio()?.name ?? ''"
      [choices]="studios()"
      [here]="studioId() ?? undefined"
      (openChange)="$event && list()"
      (chosen)="toStudio($event)"
    >
      <div class="dropdown-divider"></div>
      <a ngbDropdownItem routerLink="/">All studios and sessions</a>
      <a ngbDropdownItem routerLink="/begin">Begin another rig …</a>
    </ft-switcher>
    <span class="quiet" aria-hidden="true">▸</span>
    <ft-switcher
      what="Session"
      [name]="sessionName()"
      [choices]="sessions()"
      [here]="found()?.session?.id"
      (chosen)="toSession($event)"
    >
      <div class="dropdown-divider"></div>
      <a ngbDropdownItem [routerLink]="here.link('sessions/list')">New, copy, put away, remove …</a>
      <a ngbDropdownItem [routerLink]="here.link('sessions/templates')">Templates</a>
      <a ngbDropdownItem [routerLink]="here.link('sessions/take-over')">Take over one of another rig …</a>
    </ft-switcher>
    @if (found(); as it) {
      <span class="quiet" aria-hidden="true">▸</span>
      <ft-switcher
        what="Scene"
        [name]="it.scene.name"
        [choices]="scenes()"
        [here]="it.scene.id"
        (chosen)="toScene($event)"
      >
        <div class="dropdown-divider"></div>
        <a ngbDropdownItem [routerLink]="here.link('scenes/list')">Make, copy, follow, put away …</a>
        <a ngbDropdownItem [routerLink]="here.link('scenes/compare')">Compare two scenes</a>
      </ft-switcher>
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      min-width: 0;
      flex: 0 1 auto;
    }
    /* Where there is little room, the studio is what one knows by heart. */
    ft-switcher:first-child {
      flex-shrink: 20;
      min-width: 4.5rem;
    }
    ft-switcher:last-child {
      flex-shrink: 0.3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Switchers {
  private readonly api = inject(Api);
  private readonly changes = inject(Changes);
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  protected readonly here = inject(Here);
  protected readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly listed = signal<readonly StudioSummary[]>([]);

  protected readonly studios = computed((): readonly SwitcherChoice[] => this.listed());
  protected readonly sessionName = computed(() => {
    const session = this.found()?.session;
    if (session === undefined) return this.studio() === null ? '' : 'choose …';
    return session.template === true ? `${session.name} · template` : session.name;
  });
  protected readonly sessions = computed((): readonly SwitcherChoice[] => {
    const onFloor = this.studio()?.floor.scene;
    return sessionsInOrder(this.studio() ?? { sessions: [] })
      .filter(({ archived }) => archived !== true)
      .map(({ id, name, date }) => {
        const note = [date ?? '', onFloor?.session === id ? 'on the floor' : ''].filter(
          (each) => each !== '',
        );
        return { id, name, ...(note.length > 0 && { note: note.join(' · ') }) };
      });
  });
  protected readonly scenes = computed((): readonly SwitcherChoice[] => {
    const onFloor = this.studio()?.floor.scene;
    const session = this.found()?.session;
    const isOnFloor = (scene: string): boolean =>
      onFloor?.session === session?.id && onFloor?.scene === scene;
    return scenesInOrder(session ?? { scenes: [] })
      .filter(({ archived }) => archived !== true)
      .map(({ id, name }) => ({ id, name, ...(isOnFloor(id) && { note: 'on the floor' }) }));
  });

  /** What studios there are is asked when somebody wants to know. */
  protected list(): void {
    this.api.studios().subscribe({
      next: (studios) => {
        this.listed.set(studios);
      },
      error: (error: unknown) => {
        this.changes.complain(`The studios could not be listed: ${apiErrorOf(error).message}`);
      },
    });
  }

  protected toStudio(id: string): void {
    const session = this.listed().find((studio) => studio.id === id)?.sessions[0];
    if (session !== undefined)
      void this.router.navigate(['/studio', id, session.id, session.scene, this.here.at()?.place.path]);
  }

  protected toSession(id: string): void {
    const session = this.studio()?.sessions.find((each) => each.id === id);
    const place = session && firstScene(session);
    if (place !== undefined) this.here.goToScene(place.session, place.scene);
  }

  protected toScene(id: string): void {
    this.here.goToScene(this.found()?.session.id ?? '', id);
  }
}
