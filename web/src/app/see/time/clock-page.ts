import type { DeviceId } from '@ft/core/rig/ids';
import type { Device } from '@ft/core/rig/rigSchema';
import { editSet } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { ClockRow } from '@ft/core/views/time/clockView';
import type { SampleRateHz } from '@ft/core/units/sampleRates';
import { formatRate, SAMPLE_RATES_HZ } from '@ft/core/units/sampleRates';
import { asked, askedAbout } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** Who follows whose clock, what each digital link carries, and what would not fit at another rate. */
@Component({
  selector: 'ft-clock-page',
  imports: [PartPage, AnswerState],
  templateUrl: './clock-page.html',
  styleUrls: ['../levels/stacked.scss', './clock-page.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClockPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly tried = signal<SampleRateHz | undefined>(undefined);
  protected readonly clock = asked((api) => api.clock());
  protected readonly preview = askedAbout(this.tried, (api, rate) => api.atRate(rate));
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
    const rateHz = text === '' ? undefined : (Number(text) as SampleRateHz);
    const value = { follows: 'internal', ...(rateHz !== undefined && { rateHz }) };
    this.setClock(
      row,
      value,
      `${row.name} clocks at ${text === '' ? 'the session’s rate' : formatRate(Number(text))}`,
    );
  }

  protected takeRate(rateHz: SampleRateHz): void {
    const session = this.session();
    if (session === undefined) return;
    const was = session.sampleRateHz;
    const edit = editSet('session', {}, session.id, { field: 'sampleRateHz', value: rateHz, was });
    this.changes.make(`Sample rate ${formatRate(rateHz)}`, [edit]);
    this.tried.set(undefined);
  }

  protected automate(device: string): void {
    const session = this.session();
    if (session === undefined) return;
    const value = device === '' ? null : (device as DeviceId);
    const was = session.automatedConsole ?? null;
    const edit = editSet('session', {}, session.id, { field: 'automatedConsole', value, was });
    this.changes.make('Console automation', [edit]);
  }

  private clockOf({ device }: ClockRow) {
    return this.studio()?.rig.devices.find(({ id }) => id === device)?.clock;
  }

  private setClock(row: ClockRow, value: Device['clock'] | null, label: string): void {
    const was = this.clockOf(row) ?? null;
    const edit = editSet('device', {}, row.device, { field: 'clock', value: value ?? null, was });
    this.changes.make(`Clock: ${label}`, [edit]);
  }
}
