import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import type { DeviceId } from '@ft/core/rig/ids';
import { asked } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

/** A cue in one step: what carries it, who hears it; and what that comes to, before it is done. */
@Component({
  selector: 'ft-set-up-panel',
  imports: [AnswerState, DeedPreview, Entry, Pick, SidePanel, Tick],
  template: `
    <ft-side-panel title="Set up a cue" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          Masters full, sends before the fader at 12 o’clock, talkback assigned, left and right routed to the
          boxes. Volumes stay down: raise them when everybody is warned and a level is heard.
        </p>
        <ft-entry label="Name" [widthRem]="16" [value]="name()" (entered)="name.set($event.trim())" />
        <ft-answer [of]="carriers" what="what can carry it" />
        <ft-pick
          label="Carried by"
          [choices]="choices()"
          [value]="carrier()"
          (picked)="carrier.set($event)"
        />
        <fieldset>
          <legend class="quiet">Heard on</legend>
          @for (pair of pairs(); track pair.id) {
            <ft-tick [label]="pair.label" [isOn]="heard().has(pair.id)" (ticked)="tick(pair.id, $event)" />
          } @empty {
            <p class="quiet">There are no headphones in the rig yet. Add them in Rig first.</p>
          }
        </fieldset>
        <ft-tick label="Assign talkback" [isOn]="withTalkback()" (ticked)="withTalkback.set($event)" />
        @if (deed(); as it) {
          <ft-deed-preview [deed]="it" action="Set it up" [label]="label()" (done)="closed.emit()" />
        } @else {
          <p class="quiet">Give it a name, choose what carries it, and whose headphones it goes to.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetUpPanel {
  readonly closed = output();
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly carriers = asked((api) => api.carriers());
  protected readonly name = signal('');
  /** By its place among what can be chosen; empty as long as nothing is. */
  protected readonly carrier = signal('');
  protected readonly heard = signal<ReadonlySet<DeviceId>>(new Set());
  protected readonly withTalkback = signal(true);

  protected readonly choices = computed(() => [
    { value: '', name: 'choose a bus or outputs' },
    ...(this.carriers() ?? []).map(({ name, taken }, i) => ({
      value: String(i),
      name: taken === undefined ? name : `${name} (has ${taken})`,
    })),
  ]);
  protected readonly pairs = computed(() => {
    const performers = this.found()?.session.performers ?? [];
    return (this.studio()?.rig.devices ?? [])
      .filter(({ type }) => type === 'headphones')
      .map(({ id, name }) => {
        const who = performers.find(({ headphones }) => headphones === id)?.name;
        return { id, label: who === undefined ? name : `${name}, ${who}` };
      });
  });
  protected readonly label = computed(() => `Cue ${this.name()} set up`);
  protected readonly deed = computed((): CueDeed | undefined => {
    const chosen = this.carriers()?.[Number(this.carrier() || -1)];
    if (chosen === undefined || this.name() === '' || this.heard().size === 0) return undefined;
    return {
      does: 'set-up',
      wish: {
        ...{ name: this.name(), carrier: chosen.carrier, withTalkback: this.withTalkback() },
        headphones: [...this.heard()],
      },
    };
  });

  protected tick(id: DeviceId, isOn: boolean): void {
    const heard = new Set(this.heard());
    if (isOn) heard.add(id);
    else heard.delete(id);
    this.heard.set(heard);
  }
}
