import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import { catchError, of } from 'rxjs';
import { Api } from '../state/api.service';
import { planFeature } from '../state/plan.feature';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';
import { Finder } from './finder';
import { SessionPanel } from './session-panel';

/** Session, scene, its facts, findings, who else is here, undo and redo, finder. */
@Component({
  selector: 'ft-header-bar',
  imports: [Finder, NgbDropdownModule, RouterLink, SessionPanel],
  templateUrl: './header-bar.html',
  styleUrl: './header-bar.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeaderBar {
  readonly base = input.required<readonly string[]>();

  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly live = this.store.selectSignal(studioFeature.selectLive);
  protected readonly windows = this.store.selectSignal(studioFeature.selectWindows);
  protected readonly pending = this.store.selectSignal(studioFeature.selectPending);
  protected readonly keptBecause = this.store.selectSignal(studioFeature.selectKeptBecause);
  protected readonly undoState = this.store.selectSignal(studioFeature.selectUndoState);
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
  protected readonly theme = signal(document.documentElement.dataset['theme'] ?? 'dim');

  protected readonly errors = computed(() => this.count('error'));
  protected readonly warnings = computed(() => this.count('warning'));

  protected goTo(session: string, scene: string): void {
    const [root = '', studio = ''] = this.base();
    const stage = this.router.url.split('/')[5] ?? 'track';
    void this.router.navigate([root, studio, session, scene, stage]);
  }

  protected undo(): void {
    this.store.dispatch(StudioActions.undo({}));
  }

  protected redo(): void {
    this.store.dispatch(StudioActions.redo());
  }

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
