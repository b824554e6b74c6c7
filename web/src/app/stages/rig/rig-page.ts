import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { asked } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { CheckTab } from './check/check-tab';
import { CordsTab } from './cords/cords-tab';
import { DevicesTab } from './devices/devices-tab';
import { LossBar } from './loss-bar';
import { TablesTab } from './tables/tables-tab';
import { WiringTab } from './wiring/wiring-tab';
import { AnswerState } from '../../ui/answer';

type Tab = 'devices' | 'wiring' | 'cords' | 'check' | 'tables';

/** The rig: rooms, devices with their parameters, fixed wiring, and the cords on the hook. */
@Component({
  selector: 'ft-rig-page',
  imports: [AnswerState, CheckTab, CordsTab, DevicesTab, LossBar, TablesTab, WiringTab],
  template: `
    <section class="page" aria-label="Rig">
      <div class="page-head">
        <h1>Rig</h1>
        <div class="tabs" role="group" aria-label="Part of the rig">
          @for (part of parts(); track part.tab) {
            <button type="button" [attr.aria-pressed]="tab() === part.tab" (click)="tab.set(part.tab)">
              {{ part.name }}
              @if (part.count !== undefined) {
                <span class="quiet num">{{ part.count }}</span>
              }
            </button>
          }
        </div>
        <span class="fill"></span>
        <span class="quiet aside">what is bolted in; figures are typical until you enter your own</span>
      </div>
      <ft-loss-bar />
      <ft-answer [of]="told" what="the rig check" />
      @switch (tab()) {
        @case ('devices') {
          <ft-devices-tab />
        }
        @case ('wiring') {
          <ft-wiring-tab />
        }
        @case ('cords') {
          <ft-cords-tab />
        }
        @case ('check') {
          <ft-check-tab [notes]="notes()" />
        }
        @case ('tables') {
          <ft-tables-tab />
        }
      }
    </section>
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
    .page {
      display: flex;
      flex-direction: column;
    }
    @media (width < 1200px) {
      .aside {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigPage {
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly tab = signal<Tab>('devices');
  protected readonly told = asked((api) => api.rigNotes());
  protected readonly notes = computed(() => this.told() ?? []);
  protected readonly parts = computed((): readonly { tab: Tab; name: string; count?: number }[] => {
    const rig = this.studio()?.rig;
    return [
      { tab: 'devices', name: 'Rooms and devices', count: rig?.devices.length ?? 0 },
      { tab: 'wiring', name: 'Fixed wiring', count: rig?.hardwires.length ?? 0 },
      { tab: 'cords', name: 'Cords', count: rig?.cords.length ?? 0 },
      { tab: 'check', name: 'Rig check', count: this.told()?.length },
      { tab: 'tables', name: 'Tables' },
    ];
  });
}
