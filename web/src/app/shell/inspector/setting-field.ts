import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { readSetting } from '@ft/core/typed/settingText';
import { formatNumber } from '@ft/core/units/format';
import type { SettingCell } from '@ft/core/views/settingCells';
import { PlanActions } from '../../state/plan.feature';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { Slider } from '../../ui/form/slider';
import { Tick } from '../../ui/form/tick';
import { SettingChanges } from './setting-changes';

/** One knob: a figure, a switch with positions, or an on-off switch. */
@Component({
  selector: 'ft-setting-field',
  imports: [Entry, Pick, Slider, Tick],
  template: `
    @let spec = cell().spec;
    @if (positions(); as choices) {
      <ft-pick
        [isFigure]="true"
        [label]="title()"
        [choices]="choices"
        [value]="figure()"
        (picked)="changes.set(cell(), where(), $event)"
      />
    } @else if (isSwitch()) {
      <ft-tick
        [label]="title()"
        [isOn]="cell().value === true"
        (ticked)="changes.set(cell(), where(), $event)"
      />
    } @else {
      <ft-entry
        [isFigure]="true"
        [widthRem]="6"
        [label]="spec.title"
        [unit]="spec.unit"
        [value]="shown()"
        [refusal]="refusal"
        (entered)="enter($event)"
      />
      @if (spec.range; as range) {
        <ft-slider
          class="trial quiet"
          label="what if"
          [min]="range.min"
          [max]="range.max"
          [value]="figure()"
          (slid)="attempt($event)"
        />
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.1rem;
      padding: 0.12rem 0;
    }
    /* The knobs of a unit stand below each other: names left, figures right. */
    ft-pick,
    ft-tick,
    ft-entry,
    ft-slider {
      display: flex;
      justify-content: space-between;
    }
    .trial {
      font-size: 0.9em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingField {
  readonly cell = input.required<SettingCell>();
  /** What the reader calls the unit. */
  readonly where = input.required<string>();
  private readonly store = inject(Store);
  protected readonly changes = inject(SettingChanges);

  protected readonly title = computed(() => {
    const { title, unit } = this.cell().spec;
    return `${title} ${unit}`.trim();
  });
  protected readonly isSwitch = computed(() => typeof this.cell().value === 'boolean');
  protected readonly figure = computed(() => Number(this.cell().value));
  protected readonly shown = computed(() => formatNumber(this.figure()));
  protected readonly positions = computed(() => {
    const { range, names } = this.cell().spec;
    return range?.positions?.map((value, at) => ({ value, name: names?.[at] ?? formatNumber(value) }));
  });
  protected readonly refusal = (text: string): string | undefined => {
    const read = readSetting(this.cell().spec, text);
    return read.ok ? undefined : read.sentence;
  };

  /** Everything is worked out as if the knob stood there; nothing is changed. */
  protected attempt(value: number): void {
    const { key, spec } = this.cell();
    const name = `${this.where()}: ${spec.title}`;
    const on = { kind: 'knob', key } as const;
    this.store.dispatch(PlanActions.tryLevel({ trial: { on, value, name, unit: spec.unit } }));
  }

  protected enter(text: string): void {
    this.changes.enter(this.cell(), this.where(), text);
  }
}
