import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { Inspector } from './inspector/inspector';
import { PlanActions, planFeature } from '../state/plan.feature';
import { StudioActions } from '../state/studio.actions';
import { Undoing } from '../state/undoing';
import { studioFeature } from '../state/studio.feature';
import { ThreadStrip } from './strip/thread-strip';
import { GoneBar } from './gone-bar';
import { GonePlace } from './gone-place';
import { HeaderBar } from './header-bar';
import { Notices } from './notices';
import { Going } from './going';
import { PlanBar } from './plan-bar';
import { PlaybackBar } from './playback-bar';
import { Rail } from './rail';
import { StripHeights } from './strip/strip-heights';
import { ShortcutHelp } from './shortcut-help';
import { stepSheets } from './step-sheets';
import { shortcutOf } from './shortcuts';
import { ThisWindow } from './this-window';
import { TrialBar } from './trial-bar';

/** The one shape of every stage: rail, header, sheet, strip, inspector. */
@Component({
  selector: 'ft-shell',
  imports: [
    GoneBar,
    GonePlace,
    HeaderBar,
    Inspector,
    Notices,
    PlanBar,
    PlaybackBar,
    Rail,
    RouterLink,
    RouterOutlet,
    ShortcutHelp,
    ThreadStrip,
    TrialBar,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)', '[class.alone]': 'window.isAlone()' },
})
export class Shell implements OnDestroy {
  readonly studio = input.required<string>();
  readonly session = input.required<string>();
  readonly scene = input.required<string>();
  /** From the address of a window that was opened for one part. */
  readonly alone = input<string>();

  private readonly store = inject(Store);
  protected readonly load = this.store.selectSignal(studioFeature.selectLoad);
  protected readonly error = this.store.selectSignal(studioFeature.selectError);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly inspected = this.store.selectSignal(planFeature.selectInspected);
  protected readonly window = inject(ThisWindow);
  private readonly undoing = inject(Undoing);
  private readonly going = inject(Going);
  private readonly stripHeight = inject(StripHeights);
  private readonly hop = this.store.selectSignal(planFeature.selectHop);
  protected readonly help = signal(false);

  constructor() {
    effect(() => {
      if (this.alone() !== undefined)
        untracked(() => {
          this.window.beginAlone();
        });
    });
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
        this.undoing.undo();
        break;
      case 'redo':
        this.undoing.redo();
        break;
      case 'hop-back':
        this.store.dispatch(PlanActions.stepToHop({ hop: Math.max(0, this.hop() - 1) }));
        break;
      case 'hop-on':
        this.store.dispatch(PlanActions.stepToHop({ hop: this.hop() + 1 }));
        break;
      case 'sheet-on':
      case 'sheet-back':
        stepSheets(document, shortcut === 'sheet-on' ? 1 : -1);
        break;
      case 'strip':
        this.stripHeight.cycle();
        break;
      case 'go':
        this.going.begin();
        break;
      case 'find':
        document.getElementById('finder')?.focus();
        break;
      case 'help':
        this.help.update((open) => !open);
        break;
    }
  }
}
