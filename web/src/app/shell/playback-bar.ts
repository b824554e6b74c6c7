import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { planFeature } from '../state/plan.feature';
import { studioFeature } from '../state/studio.feature';
import { Here } from './here';

/** Says on every screen that a recorder plays into a console, since when, and the way back. */
@Component({
  selector: 'ft-playback-bar',
  imports: [DatePipe, RouterLink],
  template: `
    @if (banner(); as it) {
      <div role="status" [class.left-on]="it.isLeftOn">
        <span class="mark" aria-hidden="true">◀◀</span>
        <strong>{{ it.isLeftOn ? 'PLAYBACK IS STILL ON' : 'PLAYBACK' }}</strong>
        <span>{{ it.says }}{{ where() }}</span>
        @if (it.since; as since) {
          <span class="num">since {{ since | date: 'd MMMM, HH:mm' }}</span>
        }
        <span class="fill"></span>
        <a class="press" [routerLink]="back()">{{
          it.where === 'floor' ? 'The way back, step by step' : 'To the live scene'
        }}</a>
      </div>
    }
  `,
  styles: `
    div {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.6rem;
      padding: 0.3rem 0.75rem;
      color: var(--ft-ground);
      background: var(--ft-warning);
    }
    .left-on {
      background: var(--ft-error);
    }
    .fill {
      flex: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaybackBar {
  private readonly here = inject(Here);
  private readonly store = inject(Store);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly banner = computed(() => this.plan()?.playback);
  protected readonly where = computed(() =>
    this.banner()?.where === 'floor' ? ' in the rooms' : ' in this scene',
  );
  protected readonly back = computed(() => {
    const [banner, session] = [this.banner(), this.place()?.session ?? ''];
    if (banner === undefined) return [];
    return this.here.linkIn(session, banner.live, banner.where === 'floor' ? 'work-list' : 'track/playback');
  });
}
