import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { catchError, of } from 'rxjs';
import { Api } from '../state/api.service';
import { planFeature } from '../state/plan.feature';
import { studioFeature } from '../state/studio.feature';
import { Undoing } from '../state/undoing';
import { Finder } from './finder';
import { Here } from './here';
import { SessionPanel } from './session-panel';
import { Switchers } from './switchers';
import { ThisWindow } from './this-window';
import { WindowState } from './window-state';

/** Session, scene, its facts, findings, who else is here, undo and redo, finder. */
@Component({
  selector: 'ft-header-bar',
  imports: [Finder, RouterLink, SessionPanel, Switchers, WindowState],
  templateUrl: './header-bar.html',
  styleUrl: './header-bar.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeaderBar {
  private readonly store = inject(Store);
  protected readonly window = inject(ThisWindow);
  protected readonly here = inject(Here);
  protected readonly live = this.store.selectSignal(studioFeature.selectLive);
  protected readonly pending = this.store.selectSignal(studioFeature.selectPending);
  protected readonly keptBecause = this.store.selectSignal(studioFeature.selectKeptBecause);
  protected readonly undoing = inject(Undoing);
  private readonly openFindings = this.store.selectSignal(planFeature.selectOpenFindings);
  /** Which paired tablet this is; nothing on the computer the program runs on. */
  protected readonly tablet = toSignal(
    inject(Api)
      .me()
      .pipe(catchError(() => of(null))),
  );
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  /** Nothing found is said only once something was looked at. */
  protected readonly planned = computed(() => this.plan() !== null);
  protected readonly failed = this.store.selectSignal(planFeature.selectFailure);
  private readonly load = this.store.selectSignal(studioFeature.selectLoad);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  /** The scene of the address is not there any more. */
  protected readonly isGone = computed(() => this.load() === 'ready' && this.found() === undefined);
  protected readonly theme = signal(document.documentElement.dataset['theme'] ?? 'dim');

  protected readonly errors = computed(() => this.count('error'));
  protected readonly warnings = computed(() => this.count('warning'));

  protected toggleTheme(): void {
    const next = this.theme() === 'dim' ? 'paper' : 'dim';
    this.theme.set(next);
    document.documentElement.dataset['theme'] = next;
    localStorage.setItem('ft-theme', next);
  }

  private count(severity: string): number {
    return this.openFindings().filter((finding) => finding.severity === severity).length;
  }
}
