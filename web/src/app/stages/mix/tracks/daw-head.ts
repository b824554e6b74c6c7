import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { HostProfile } from '@ft/core/session/daw/hostProfile';
import { HOST_PROFILES } from '@ft/core/session/daw/hostProfile';
import { PAN_LAWS_DB } from '@ft/core/units/panLaw';
import { studioFeature } from '../../../state/studio.feature';
import { DawChanges } from './daw-changes';

const DELAYS: readonly HostProfile['insertDelay'][] = [
  'measured by the host',
  'typed in',
  'not known to the host',
];

/** The host the tracks live on, what kind of host it is, and the buses. */
@Component({
  selector: 'ft-daw-head',
  template: `
    @if (session(); as it) {
      <label
        >Host
        <select aria-label="DAW host" (change)="changes.set('host', $any($event.target).value || null)">
          <option value="" [selected]="it.host === undefined">none</option>
          @for (host of hosts(); track host.id) {
            <option [value]="host.id" [selected]="host.id === it.host">{{ host.name }}</option>
          }
        </select></label
      >
      <label
        >Kind of host
        <select aria-label="Kind of host" (change)="chooseProfile($any($event.target).value)">
          @for (profile of profiles; track profile.name) {
            <option [value]="profile.name" [selected]="isProfile(profile)">{{ profile.name }}</option>
          }
          @if (isOwn()) {
            <option value="" selected>as set below</option>
          }
        </select></label
      >
      <label
        >Pan law
        <select
          class="num"
          aria-label="Pan law"
          (change)="changes.set('panLawDb', +$any($event.target).value)"
        >
          @for (law of laws; track law) {
            <option [value]="law" [selected]="law === it.panLawDb">{{ law }} dB</option>
          }
        </select></label
      >
      <details>
        <summary>What this host can do</summary>
        <div class="profile">
          <label
            ><input
              type="checkbox"
              [checked]="it.hostProfile.insertPairs === 'free'"
              (change)="put({ insertPairs: $any($event.target).checked ? 'free' : 'strict' })"
            />
            an insert may return on another number</label
          >
          <label
            ><input
              type="checkbox"
              [checked]="it.hostProfile.trims"
              (change)="put({ trims: $any($event.target).checked })"
            />
            trims sends and returns</label
          >
          <label
            ><input
              type="checkbox"
              [checked]="it.hostProfile.compensates"
              (change)="put({ compensates: $any($event.target).checked })"
            />
            compensates delay</label
          >
          <label
            ><input
              type="checkbox"
              [checked]="it.hostProfile.reusePair"
              (change)="put({ reusePair: $any($event.target).checked })"
            />
            one pair may stand in several slots, never active at once</label
          >
          <label
            ><input
              type="checkbox"
              [checked]="it.hostProfile.insertsAtSmallBuffer"
              (change)="put({ insertsAtSmallBuffer: $any($event.target).checked })"
            />
            runs tracks with hardware inserts at the small buffer</label
          >
          <label
            >insert delay is
            <select aria-label="Insert delay" (change)="put({ insertDelay: $any($event.target).value })">
              @for (delay of delays; track delay) {
                <option [selected]="delay === it.hostProfile.insertDelay">{{ delay }}</option>
              }
            </select></label
          >
          <span class="quiet">No host bounces offline through hardware: that is real time only.</span>
        </div>
      </details>
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
        <form
          (submit)="
            changes.addBus(busName.value, +busWidth.value); busName.value = ''; $event.preventDefault()
          "
        >
          <input #busName type="text" placeholder="Another bus" aria-label="Another bus" />
          <select #busWidth class="num" aria-label="Width of the bus">
            <option value="1">1</option>
            <option value="2" selected>2</option>
            <option value="6">6</option>
          </select>
          <button type="submit">Add</button>
        </form></span
      >
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
    .profile {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1rem;
      padding: 0.3rem 0;
    }
    .buses {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.6rem;
    }
    .buses input {
      width: 8rem;
    }
    form {
      display: inline-flex;
      gap: 0.3rem;
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
  protected readonly hosts = computed(() =>
    (this.studio()?.rig.devices ?? []).filter(({ type }) => type === 'dawHost'),
  );
  protected readonly profiles = HOST_PROFILES;
  protected readonly laws = PAN_LAWS_DB;
  protected readonly delays = DELAYS;
  protected readonly isOwn = computed(() => !HOST_PROFILES.some((profile) => this.isProfile(profile)));

  protected isProfile({ name: _name, ...profile }: (typeof HOST_PROFILES)[number]): boolean {
    const now = this.session()?.hostProfile;
    return (Object.keys(profile) as (keyof HostProfile)[]).every((key) => now?.[key] === profile[key]);
  }

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
}
