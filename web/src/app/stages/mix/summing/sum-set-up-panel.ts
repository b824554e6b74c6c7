import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { SumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { DeviceId, TrackId } from '@ft/core/rig/ids';
import type { School } from '@ft/core/session/sumSchema';
import { SCHOOLS } from '@ft/core/session/sumSchema';
import { readLayout } from '@ft/core/typed/sum/placeText';
import type { SummingView } from '@ft/core/views/mix/summingView';
import { Entry } from '../../../ui/form/entry';
import { Pick } from '../../../ui/form/pick';
import { Tick } from '../../../ui/form/tick';
import { SidePanel } from '../../../ui/side-panel';
import { DeedPreview } from '../../deed-preview';

const NONE = { value: '', name: 'choose one' };

/** A sum in one step: the mixer, others behind it, the school, the stems, the print track; and what that comes to. */
@Component({
  selector: 'ft-sum-set-up',
  imports: [DeedPreview, Entry, Pick, SidePanel, Tick],
  template: `
    <ft-side-panel title="Set up a sum" (closed)="closed.emit()">
      <div class="stack">
        <ft-entry label="Name" [widthRem]="16" [value]="name()" (entered)="name.set($event.trim())" />
        <ft-pick label="Mixer" [choices]="mixers()" [value]="mixer()" (picked)="mixer.set($event)" />
        <ft-pick
          label="Hands its bus on from"
          [choices]="others()"
          [value]="behind()"
          (picked)="behind.set($event)"
        />
        <ft-pick label="School" [choices]="schools" [value]="school()" (picked)="school.set($event)" />
        @if (school() === 'own') {
          <ft-entry
            label="Places"
            typical="1, 2, 3–4, 5–6"
            [widthRem]="18"
            [value]="layout()"
            [refusal]="layoutRefusal"
            (entered)="layout.set($event)"
          />
        }
        <ft-pick label="Printed on" [choices]="prints()" [value]="print()" (picked)="print.set($event)" />
        <h3>Stems</h3>
        <div class="ticks">
          @for (track of view().tracks; track track.id) {
            <ft-tick [label]="track.name" [isOn]="isIn(track.id)" (ticked)="put(track.id, $event)" />
          }
        </div>
        @if (deed(); as it) {
          <ft-deed-preview [deed]="it" action="Set it up" [label]="label()" (done)="closed.emit()" />
        } @else {
          <p class="quiet">Give it a name, and choose a mixer and the stems.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../../consoles/panel.scss',
  styles: `
    .ticks {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(7rem, 1fr));
      gap: 0.1rem 0.6rem;
    }
    h3 {
      margin: 0.4rem 0 0;
      font-size: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SumSetUpPanel {
  readonly view = input.required<SummingView>();
  readonly closed = output();
  protected readonly name = signal('Sum');
  protected readonly mixer = signal('');
  protected readonly behind = signal('');
  protected readonly school = signal<School>('two mono, rest pairs');
  protected readonly layout = signal('');
  protected readonly print = signal('');
  /** What was ticked or taken off by hand. */
  private readonly said = signal<ReadonlyMap<TrackId, boolean>>(new Map());
  protected readonly schools = SCHOOLS.map((value) => ({
    value,
    name: value === 'own' ? 'one of my own' : value,
  }));

  protected readonly mixers = computed(() => [
    NONE,
    ...this.view().mixers.map(({ id, name, inputs }) => ({
      value: id,
      name: `${name}, ${String(inputs)} inputs`,
    })),
  ]);
  protected readonly others = computed(() => [
    { value: '', name: 'no other' },
    ...this.mixers().filter(({ value }) => value !== '' && value !== this.mixer()),
  ]);
  protected readonly prints = computed(() => [
    { value: '', name: 'none yet' },
    ...this.view()
      .tracks.filter(({ kind }) => kind === 'print' || kind === 'audio')
      .map(({ id, name }) => ({ value: id, name })),
  ]);
  protected readonly label = computed(() => `Sum ${this.name()} set up`);
  private readonly inputCount = computed(() =>
    this.view()
      .mixers.filter(({ id }) => id === this.mixer() || id === this.behind())
      .reduce((sum, { inputs }) => sum + inputs, 0),
  );
  protected readonly layoutRefusal = (text: string): string | undefined => {
    const read = readLayout(text, this.inputCount());
    return read.ok ? undefined : read.sentence;
  };
  protected readonly deed = computed((): SumDeed | undefined => {
    const mixers = [this.mixer(), this.behind()].filter((id) => id !== '') as DeviceId[];
    const tracks = this.view()
      .tracks.map(({ id }) => id)
      .filter((id) => this.isIn(id));
    const read = this.school() === 'own' ? readLayout(this.layout(), this.inputCount()) : undefined;
    if (mixers.length === 0 || this.name() === '' || tracks.length === 0 || read?.ok === false)
      return undefined;
    return {
      does: 'set-up-sum',
      wish: {
        ...{ name: this.name(), mixers, school: this.school(), tracks },
        ...(read?.ok === true && { layout: read.value }),
        ...(this.print() !== '' && { print: this.print() as TrackId }),
      },
    };
  });

  /** Until somebody says otherwise, whatever goes out of the host by itself. */
  protected isIn(id: TrackId): boolean {
    const track = this.view().tracks.find((each) => each.id === id);
    return this.said().get(id) ?? (track?.goesOut === true && track.kind !== 'print');
  }

  protected put(id: TrackId, isOn: boolean): void {
    this.said.update((said) => new Map([...said, [id, isOn]]));
  }
}
