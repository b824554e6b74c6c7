import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import type { HostProfile } from '@ft/core/session/daw/hostProfile';
import { HOST_PROFILES } from '@ft/core/session/daw/hostProfile';
import { formatNumber } from '@ft/core/units/format';
import { PAN_LAWS_DB } from '@ft/core/units/panLaw';
import { studioFeature } from '../../../state/studio.feature';
import { Pick } from '../../../ui/form/pick';
import { Tick } from '../../../ui/form/tick';
import { SidePanel } from '../../../ui/side-panel';
import { DawChanges } from './daw-changes';

const DELAYS: readonly HostProfile['insertDelay'][] = [
  'measured by the host',
  'typed in',
  'not known to the host',
];

interface Ability {
  readonly label: string;
  readonly isOn: (profile: HostProfile) => boolean;
  readonly turned: (isOn: boolean) => Partial<HostProfile>;
}

type Flag = 'trims' | 'compensates' | 'reusePair' | 'insertsAtSmallBuffer';

const ability = (flag: Flag, label: string): Ability => ({
  label,
  isOn: (profile) => profile[flag],
  turned: (isOn) => ({ [flag]: isOn }),
});

/** What a host can do or cannot, as switches. */
const ABILITIES: readonly Ability[] = [
  {
    label: 'an insert may return on another number',
    isOn: ({ insertPairs }) => insertPairs === 'free',
    turned: (isOn) => ({ insertPairs: isOn ? 'free' : 'strict' }),
  },
  ability('trims', 'trims sends and returns'),
  ability('compensates', 'compensates delay'),
  ability('reusePair', 'one pair may stand in several slots, never active at once'),
  ability('insertsAtSmallBuffer', 'runs tracks with hardware inserts at the small buffer'),
];

/** What stands for a kind of host that is none of the usual ones. */
const OWN = '';

/** The host the tracks live on, what kind of host it is, and what it can do. */
@Component({
  selector: 'ft-host-panel',
  imports: [Pick, SidePanel, Tick],
  template: `
    <ft-side-panel title="The host" (closed)="closed.emit()">
      @if (session(); as it) {
        <ft-pick
          label="Host"
          [choices]="hosts()"
          [value]="it.host ?? null"
          (picked)="changes.set('host', $event)"
        />
        <ft-pick
          label="Kind of host"
          [choices]="profiles()"
          [value]="profile()"
          (picked)="chooseProfile($event)"
        />
        <ft-pick
          label="Pan law"
          [isFigure]="true"
          [choices]="laws"
          [value]="it.panLawDb"
          (picked)="changes.set('panLawDb', $event)"
        />
        <h3>What it can do</h3>
        @for (each of abilities; track each.label) {
          <ft-tick
            [label]="each.label"
            [isOn]="each.isOn(it.hostProfile)"
            (ticked)="put(each.turned($event))"
          />
        }
        <ft-pick
          label="Insert delay is"
          [choices]="delays"
          [value]="it.hostProfile.insertDelay"
          (picked)="put({ insertDelay: $event })"
        />
        <p class="quiet">No host bounces offline through hardware: that is real time only.</p>
      }
    </ft-side-panel>
  `,
  styles: `
    ft-tick,
    ft-pick {
      display: flex;
      padding: 0.25rem 0;
    }
    ft-tick {
      flex-wrap: nowrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HostPanel {
  readonly closed = output();
  private readonly store = inject(Store);
  protected readonly changes = inject(DawChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly session = computed(() => this.found()?.session);
  protected readonly hosts = computed(() => [
    { value: null, name: 'none' },
    ...(this.studio()?.rig.devices ?? [])
      .filter(({ type }) => type === 'dawHost')
      .map(({ id, name }) => ({ value: id, name })),
  ]);
  /** The kind of host it is as a whole; empty where it was put together below. */
  protected readonly profile = computed(
    () => HOST_PROFILES.find((profile) => this.isProfile(profile))?.name ?? OWN,
  );
  protected readonly profiles = computed(() => [
    ...HOST_PROFILES.map(({ name }) => ({ value: name, name })),
    ...(this.profile() === OWN ? [{ value: OWN, name: 'as set here' }] : []),
  ]);
  protected readonly laws = PAN_LAWS_DB.map((value) => ({ value, name: `${formatNumber(value)} dB` }));
  protected readonly delays = DELAYS.map((value) => ({ value, name: value }));
  protected readonly abilities = ABILITIES;

  protected chooseProfile(name: string): void {
    const chosen = HOST_PROFILES.find((profile) => profile.name === name);
    if (chosen === undefined) return;
    const { name: _name, ...profile } = chosen;
    this.changes.set('hostProfile', profile);
  }

  protected put(part: Partial<HostProfile>): void {
    const now = this.session()?.hostProfile;
    if (now !== undefined) this.changes.set('hostProfile', { ...now, ...part });
  }

  private isProfile({ name: _name, ...profile }: (typeof HOST_PROFILES)[number]): boolean {
    const now = this.session()?.hostProfile;
    return (Object.keys(profile) as (keyof HostProfile)[]).every((key) => now?.[key] === profile[key]);
  }
}
