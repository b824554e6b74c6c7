import type { DeviceId } from '@ft/core/rig/ids';
import { editSet } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { clockLeadsEdits } from '@ft/core/actions/time/clockLeads';
import type { ClockPair, ClockSchool } from '@ft/core/views/time/clockSchools';
import type { ClockRow } from '@ft/core/views/time/clockView';
import type { SampleRateHz } from '@ft/core/units/sampleRates';
import { formatRate, SAMPLE_RATES_HZ } from '@ft/core/units/sampleRates';
import { asked, askedAbout } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { Pick } from '../../ui/form/pick';
import { CellTakers } from '../../ui/sheet/cell-takers';
import { Sheet } from '../../ui/sheet/sheet';
import { clockColumns } from './clock-columns';
import { PartPage } from '../../shell/part';

/** Who follows whose clock, what each digital link carries, and what would not fit at another rate. */
@Component({
  selector: 'ft-clock-page',
  imports: [AnswerState, PartPage, Pick, Sheet],
  templateUrl: './clock-page.html',
  styleUrls: ['../levels/stacked.scss', './clock-page.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClockPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly tried = signal<SampleRateHz | undefined>(undefined);
  protected readonly clock = asked((api) => api.clock());
  protected readonly preview = askedAbout(this.tried, (api, rate) => api.atRate(rate));
  protected readonly rate = formatRate;
  protected readonly session = computed(() => this.found()?.session);
  protected readonly otherRates = computed(() => [
    { value: undefined, name: 'choose a rate' },
    ...SAMPLE_RATES_HZ.filter((hz) => hz !== this.session()?.sampleRateHz).map((hz) => ({
      ...{ value: hz, name: formatRate(hz) },
    })),
  ]);
  protected readonly consoles = computed(() => [
    { value: undefined, name: 'no console' },
    ...(this.studio()?.rig.devices ?? [])
      .filter(({ type }) => type.endsWith('Console'))
      .map(({ id, name }) => ({ value: id, name })),
  ]);
  protected readonly rowId = ({ device }: ClockRow): string => `clock:${device}`;
  protected readonly columns = clockColumns(() => this.studio()?.rig);
  protected readonly edits = new CellTakers<ClockRow>(() => this.columns, {
    ...{ one: ({ name }: ClockRow) => name, many: 'Clocks' },
  });

  protected readonly pairs = asked((api) => api.clockSchools());

  /** Lets one of two devices lead, and the other follow it. */
  protected lead({ sender, receiver, senderLeads }: ClockPair, school: ClockSchool): void {
    const rig = this.studio()?.rig;
    if (rig === undefined) return;
    const name = school.leader === senderLeads.leader ? sender : receiver;
    this.changes.make(`${name} leads the clock`, clockLeadsEdits(rig, school));
  }

  protected takeRate(rateHz: SampleRateHz): void {
    const session = this.session();
    if (session === undefined) return;
    const was = session.sampleRateHz;
    const edit = editSet('session', {}, session.id, { field: 'sampleRateHz', value: rateHz, was });
    this.changes.make(`Sample rate ${formatRate(rateHz)}`, [edit]);
    this.tried.set(undefined);
  }

  protected automate(device: DeviceId | undefined): void {
    const session = this.session();
    if (session === undefined) return;
    const value = device ?? null;
    const was = session.automatedConsole ?? null;
    const edit = editSet('session', {}, session.id, { field: 'automatedConsole', value, was });
    this.changes.make('Console automation', [edit]);
  }
}
