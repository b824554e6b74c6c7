import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { HostProfile } from '@ft/core/session/daw/hostProfile';
import { HOST_PROFILES } from '@ft/core/session/daw/hostProfile';
import { busSchema } from '@ft/core/session/daw/trackSchema';
import { formatNumber } from '@ft/core/units/format';
import { PAN_LAWS_DB } from '@ft/core/units/panLaw';
import { studioFeature } from '../../../state/studio.feature';
import type { FormField } from '../../../ui/form/form-field';
import { LineForm } from '../../../ui/form/line-form';
import { Pick } from '../../../ui/form/pick';
import { SchemaForm } from '../../../ui/form/schema-form';
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

const BUS_FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Name of the bus', kind: 'text', widthRem: 10 },
  {
    ...{ key: 'width', label: 'Width', kind: 'choice' },
    choices: [
      { value: 1, name: 'mono' },
      { value: 2, name: 'stereo' },
      { value: 6, name: '5.1' },
    ],
  },
];

/** What stands for a kind of host that is none of the usual ones. */
const OWN = '';

/** The host the tracks live on, what kind of host it is, and the buses. */
@Component({
  selector: 'ft-daw-head',
  imports: [LineForm, Pick, SidePanel, Tick],
  template: `
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
      <button type="button" (click)="isHostOpen.set(true)">What this host can do</button>
      <span class="buses"
        ><span class="quiet">Buses</span>
        @for (bus of it.buses; track bus.id) {
          <span class="bus"
            >{{ bus.name }} <span class="quiet num">{{ bus.width }}</span>
            <button
              type="button"
              class="bare"
              [attr.aria-label]="'Remove bus ' + bus.name"
              (click)="changes.removeBus(bus)"
            >
              ✕
            </button></span
          >
        }
        <button type="button" (click)="isBusOpen.set(true)">Another bus</button></span
      >
      @if (isHostOpen()) {
        <ft-side-panel title="What this host can do" (closed)="isHostOpen.set(false)">
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
        </ft-side-panel>
      }
      @if (isBusOpen()) {
        <ft-side-panel title="Another bus" (closed)="isBusOpen.set(false)">
          <ft-line-form
            action="Add the bus"
            [form]="bus"
            [isMain]="true"
            (entered)="changes.addBus($event)"
          />
        </ft-side-panel>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.35rem 0.9rem;
      padding: 0.4rem 0.75rem;
      border-bottom: 1px solid var(--ft-line);
    }
    .buses {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.6rem;
    }
    ft-side-panel ft-tick,
    ft-side-panel ft-pick {
      display: flex;
      flex-wrap: nowrap;
      padding: 0.25rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DawHead {
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
  protected readonly isHostOpen = signal(false);
  protected readonly isBusOpen = signal(false);
  protected readonly bus = new SchemaForm(BUS_FIELDS, busSchema.pick({ name: true, width: true }), {
    width: 2,
  });

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
