import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { Inspector } from './inspector/inspector';
import { PlanActions, planFeature } from '../state/plan.feature';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';
import { ThreadStrip } from './strip/thread-strip';
import { GoneBar } from './gone-bar';
import { HeaderBar } from './header-bar';
import { Notices } from './notices';
import { PlanBar } from './plan-bar';
import { ShortcutHelp } from './shortcut-help';
import { shortcutOf } from './shortcuts';
import { TrialBar } from './trial-bar';

/** The one shape of every stage: rail, header, sheet, strip, inspector. */
@Component({
  selector: 'ft-shell',
  imports: [
    GoneBar,
    HeaderBar,
    Inspector,
    Notices,
    PlanBar,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    ShortcutHelp,
    ThreadStrip,
    TrialBar,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class Shell implements OnDestroy {
  readonly studio = input.required<string>();
  readonly session = input.required<string>();
  readonly scene = input.required<string>();

  private readonly store = inject(Store);
  protected readonly load = this.store.selectSignal(studioFeature.selectLoad);
  protected readonly error = this.store.selectSignal(studioFeature.selectError);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly inspected = this.store.selectSignal(planFeature.selectInspected);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly openFindings = this.store.selectSignal(planFeature.selectOpenFindings);
  private readonly patchLines = this.store.selectSignal(planFeature.selectPatchLines);
  private readonly hop = this.store.selectSignal(planFeature.selectHop);
  protected readonly help = signal(false);

  protected readonly base = computed(() => ['/studio', this.studio(), this.session(), this.scene()]);
  // eslint-disable-next-line max-lines-per-function -- a literal table of the rail
  protected readonly rail = computed(() => {
    const plan = this.plan();
    const rows = plan?.rows ?? [];
    /** What is not worked out yet is not zero. */
    const shown = (state: string): string => (plan === null ? '' : state);
    const running = rows.filter(({ status }) => status === 'routed' || status === 'patched').length;
    const plugged = this.patchLines().filter((line) => line.plugged).length;
    return [
      { path: 'rig', icon: 'hdd-rack', name: 'Rig', state: '', count: this.findingsOf('rig') },
      { path: 'bay', icon: 'grid-3x2-gap', name: 'Bay', state: '', count: 0 },
      { path: 'flow', icon: 'diagram-3', name: 'Flow', state: '', count: 0 },
      {
        path: 'track',
        icon: 'mic',
        name: 'Track',
        state: shown(`${String(running)}/${String(rows.length)}`),
        count: this.findingsOf('track'),
      },
      {
        path: 'daw',
        icon: 'sliders',
        name: 'DAW',
        state: String(this.found()?.session.tracks.length ?? 0),
        count: 0,
      },
      { path: 'levels', icon: 'bar-chart-steps', name: 'Levels', state: '', count: 0 },
      { path: 'time', icon: 'stopwatch', name: 'Time', state: '', count: 0 },
      {
        path: 'scenes',
        icon: 'layers',
        name: 'Scenes',
        state: String(this.found()?.session.scenes.length ?? 0),
        count: 0,
      },
      {
        path: 'patch-list',
        icon: 'list-check',
        name: 'Patch list',
        state: shown(`${String(plugged)}/${String(this.patchLines().length)}`),
        count: 0,
      },
      { path: 'work-list', icon: 'check2-square', name: 'Work list', state: '', count: 0 },
      {
        path: 'findings',
        icon: 'exclamation-triangle',
        name: 'Findings',
        state: '',
        count: this.openFindings().length,
      },
      { path: 'history', icon: 'clock-history', name: 'History', state: '', count: 0 },
    ];
  });

  constructor() {
    effect(() => {
      const place = { session: this.session(), scene: this.scene() } as ScenePlace;
      this.store.dispatch(StudioActions.open({ studioId: this.studio(), place }));
    });
  }

  ngOnDestroy(): void {
    this.store.dispatch(StudioActions.close());
  }

  protected onKey(event: KeyboardEvent): void {
    const shortcut = shortcutOf(event);
    if (shortcut === undefined) return;
    event.preventDefault();
    switch (shortcut) {
      case 'undo':
        this.store.dispatch(StudioActions.undo({}));
        break;
      case 'redo':
        this.store.dispatch(StudioActions.redo());
        break;
      case 'hop-back':
        this.store.dispatch(PlanActions.stepToHop({ hop: Math.max(0, this.hop() - 1) }));
        break;
      case 'hop-on':
        this.store.dispatch(PlanActions.stepToHop({ hop: this.hop() + 1 }));
        break;
      case 'find':
        document.getElementById('finder')?.focus();
        break;
      case 'help':
        this.help.update((open) => !open);
        break;
    }
  }

  private findingsOf(stage: string): number {
    return this.openFindings().filter((finding) => finding.stage === stage).length;
  }
}
