import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { pairOnCue } from '@ft/core/actions/cues/cueHeadphones';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import { editSet } from '@ft/core/edits/make';
import type { DeviceId } from '@ft/core/rig/ids';
import type { CueView } from '@ft/core/views/cues/cueSheetView';
import { Changes } from '../../state/changes';
import { studioFeature } from '../../state/studio.feature';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { SidePanel } from '../../ui/side-panel';
import { CueEdits } from './cue-edits';
import { DeedPreview } from '../deed-preview';

const NONE = { value: '', name: 'choose a pair' };

/** One cue: its name, who hears it, the control room's mix into it, and taking it away. */
@Component({
  selector: 'ft-cue-panel',
  imports: [DeedPreview, Entry, Pick, SidePanel],
  template: `
    <ft-side-panel [title]="'Cue ' + cue().name" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">Carried by {{ cue().carrier }}.</p>
        <ft-entry
          label="Name"
          [widthRem]="16"
          [value]="cue().name"
          [refusal]="refusal"
          (entered)="rename($event)"
        />
        <h3>Heard on</h3>
        @for (pair of pairs(); track pair.id) {
          <p>{{ pair.name }} <button type="button" (click)="takeOff(pair.id, pair.name)">Take off</button></p>
        } @empty {
          <p class="quiet">No headphones: nobody hears it.</p>
        }
        <ft-pick label="Another pair" [choices]="others()" [value]="none" (picked)="add($event)" />
        <h3>The control room’s mix</h3>
        <p class="quiet">
          Every send behind its fader, panned as in the mix. It follows every move you make: for one overdub,
          not for a band.
        </p>
        @if (isMixShown()) {
          <ft-deed-preview
            [deed]="roomMix()"
            action="Send the mix"
            [label]="mixLabel()"
            (done)="closed.emit()"
          />
        } @else {
          <p><button type="button" (click)="isMixShown.set(true)">What that would change</button></p>
        }
        <h3>Take it away</h3>
        <p>
          <button type="button" (click)="remove()">Remove the cue</button>
          <span class="quiet"> Its lines go with it; its sends stay as they are on {{ cue().carrier }}.</span>
        </p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CuePanelOf {
  readonly cue = input.required<CueView>();
  readonly closed = output();
  private readonly changes = inject(Changes);
  private readonly edits = inject(CueEdits);
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly isMixShown = signal(false);
  protected readonly none = NONE.value;

  private readonly headphones = computed(() =>
    (this.studio()?.rig.devices ?? []).filter(({ type }) => type === 'headphones'),
  );
  protected readonly pairs = computed(() =>
    this.cue().headphones.map(({ id }) => ({
      ...{ id, name: this.headphones().find((device) => device.id === id)?.name ?? id },
    })),
  );
  protected readonly others = computed(() => {
    const on = new Set<string>(this.cue().headphones.map(({ id }) => id));
    const free = this.headphones().filter(({ id }) => !on.has(id));
    return [NONE, ...free.map(({ id, name }) => ({ value: id, name }))];
  });
  protected readonly mixLabel = computed(() => `The control room’s mix to ${this.cue().name}`);
  protected readonly roomMix = computed((): CueDeed => ({ does: 'room-mix', cue: this.cue().id }));

  protected readonly refusal = (text: string): string | undefined => {
    const name = text.trim().toLowerCase();
    if (name === '') return 'A cue needs a name.';
    const isTaken = this.found()?.session.cues.some(
      (each) => each.id !== this.cue().id && each.name.toLowerCase() === name,
    );
    return isTaken === true ? 'There is a cue of that name.' : undefined;
  };

  protected rename(text: string): void {
    const session = this.found()?.session.id;
    const { id, name: was } = this.cue();
    if (session === undefined || text.trim() === was) return;
    const edit = editSet('cue', { session }, id, { field: 'name', value: text.trim(), was });
    this.changes.make(`Cue ${was} is ${text.trim()} now`, [edit]);
  }

  protected add(id: string): void {
    if (id === '') return;
    const name = this.headphones().find((device) => device.id === id)?.name ?? id;
    void this.edits.make(`${name} put on cue ${this.cue().name}`, {
      ...{ does: 'heard-by', cue: this.cue().id, headphones: id as DeviceId },
    });
  }

  protected takeOff(id: DeviceId, name: string): void {
    const session = this.found()?.session;
    if (session !== undefined)
      this.changes.make(
        `${name} taken off cue ${this.cue().name}`,
        pairOnCue(session, this.cue().id, id, false),
      );
  }

  protected async remove(): Promise<void> {
    const { id, name } = this.cue();
    const label = `Cue ${name} removed`;
    const edits = await this.changes.worked(label, (api) => api.removeCue(id));
    if (edits === undefined) return;
    this.changes.make(label, edits);
    this.closed.emit();
  }
}
