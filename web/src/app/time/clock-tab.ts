import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { ClockRow } from '@ft/core/views/time/clockView';
import type { SampleRateHz } from '@ft/core/units/sampleRates';
import { formatRate, SAMPLE_RATES_HZ } from '@ft/core/units/sampleRates';
import { asked } from '../state/asked';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';

/** Who follows whose clock, what each digital link carries, and what would not fit at another rate. */
@Component({
  selector: 'ft-clock-tab',
  templateUrl: './clock-tab.html',
  styleUrls: ['../levels/stacked.scss', './clock-tab.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClockTab {
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly asking = signal(true);
  private readonly tried = signal<SampleRateHz | undefined>(undefined);
  protected readonly clock = asked(this.asking, (api) => api.clock());
  protected readonly preview = asked(this.tried, (api, rate) => api.atRate(rate));
  protected readonly rates = SAMPLE_RATES_HZ;
  protected readonly rate = formatRate;
  protected readonly session = computed(() => this.found()?.session);
  protected readonly consoles = computed(
    () => this.studio()?.rig.devices.filter(({ type }) => type.endsWith('Console')) ?? [],
  );

  protected tryRate(text: string): void {
    this.tried.set(text === '' ? undefined : (Number(text) as SampleRateHz));
  }

  protected follow(row: ClockRow, follows: string): void {
    const was = this.clockOf(row);
    const value = follows === '' ? null : { ...(was ?? {}), follows };
    this.setClock(
      row,
      value,
      `${row.name} follows ${follows === '' ? 'what its connections suggest' : follows}`,
    );
  }

  protected fix(row: ClockRow, text: string): void {
    const rateHz = text === '' ? undefined : Number(text);
    const value = { follows: 'internal', ...(rateHz !== undefined && { rateHz }) };
    this.setClock(
      row,
      value,
      `${row.name} clocks at ${text === '' ? 'the session’s rate' : formatRate(Number(text))}`,
    );
  }

  protected takeRate(rateHz: number): void {
    const session = this.session();
    if (session === undefined) return;
    const edit = {
      type: 'session.set',
      id: session.id,
      field: 'sampleRateHz',
      value: rateHz,
      was: session.sampleRateHz,
    };
    this.store.dispatch(StudioActions.change({ label: `Sample rate ${formatRate(rateHz)}`, edits: [edit] }));
    this.tried.set(undefined);
  }

  protected automate(device: string): void {
    const session = this.session();
    if (session === undefined) return;
    const [value, was] = [device === '' ? null : device, session.automatedConsole ?? null];
    const edit = { type: 'session.set', id: session.id, field: 'automatedConsole', value, was };
    this.store.dispatch(StudioActions.change({ label: 'Console automation', edits: [edit] }));
  }

  private clockOf({ device }: ClockRow) {
    return this.studio()?.rig.devices.find(({ id }) => id === device)?.clock;
  }

  private setClock(row: ClockRow, value: unknown, label: string): void {
    const edit = {
      type: 'device.set',
      id: row.device,
      field: 'clock',
      value,
      was: this.clockOf(row) ?? null,
    };
    this.store.dispatch(StudioActions.change({ label: `Clock: ${label}`, edits: [edit] }));
  }
}
